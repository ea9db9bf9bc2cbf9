"""The calls for a bench that was kept in a spreadsheet."""

from flask import request
from flask_login import current_user
from pydantic import BaseModel, Field

from crevlo.api.guard import REVIEW, db, reads, writes
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations.afterwards import keep, view

api = station("afterwards")


class SheetQuery(BaseModel):
    name: str = Field(max_length=300)
    zone: str = Field(default="UTC", max_length=60)


@api.put("/old-benches/file", responses={200: view.OldBenchView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def take_sheets(query: SheetQuery) -> view.OldBenchView:
    """A spreadsheet, shown as it would be read; no study is made."""
    return view.take_sheets(db(), request.get_data(), query.name, query.zone)


@api.post("/old-benches/view", responses={200: view.OldBenchView})
@reads(REVIEW, heavy=True)
def view_old_bench(body: view.OldBenchWish) -> view.OldBenchView:
    """The same with what a person says of its sheets."""
    return view.view_old_bench(db(), body)


@api.post("/old-benches", responses={200: keep.OldBenchKept})
@writes(REVIEW, heavy=True)
def keep_old_bench(body: keep.NewOldBench) -> keep.OldBenchKept:
    """Makes a study of it, marked as entered afterwards."""
    return keep.keep_old_bench(db(), body, current_user.id)
