"""What inputs of `crevlo calc` are made of."""

from collections.abc import Callable
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field

# No size, amount or duration of a bench is beyond these: what is typed larger is a slip.
Number = Annotated[float, Field(ge=-1e9, le=1e9)]
Amount = Annotated[float, Field(ge=0, le=1e9)]
Above0 = Annotated[float, Field(gt=0, le=1e9)]
Count = Annotated[int, Field(ge=0, le=1_000_000)]


class Input(BaseModel):
    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


Topic = tuple[type[Input], Callable[[Any], Any], str]
"""Its input, its rule, and what it is in a few words."""
