"""Names are one line without blanks around them; what is not there is said to be missing."""

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import draft_study, new


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("owner")


@pytest.mark.parametrize("name", ["Two\nlines", "Tab\there", "\x1b[2Jcleared", "Line\u2028separator"])
def test_a_name_of_several_lines_or_control_characters_is_refused(client: Client, name: str) -> None:
    model = {"id": new(), "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250}
    person = {"id": new(), "email": "a@b.example", "role": "reader", "password": "a long password indeed"}
    study = {"id": new(), "question": "Which?", "seed": 1, "currency": "EUR"}
    for path, body in (("models", model | {"name": name}), ("people", person | {"name": name}), ("studies", study | {"title": name})):  # fmt: skip
        with pytest.raises(ApiError, match=r"is one line|cannot be seen"):
            client.send("POST", f"/api/{path}", body)


def test_blanks_around_a_name_are_dropped_and_only_blanks_are_no_name(client: Client) -> None:
    body = {"id": new(), "name": "  Bench\u00a0one ", "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250}
    client.send("POST", "/api/models", body)
    assert "Bench\u00a0one" in [m["name"] for m in client.get("/api/library")["models"]]
    with pytest.raises(ApiError, match="422"):
        client.send("POST", "/api/models", body | {"id": new(), "name": "   "})


def test_a_sheet_of_points_of_no_study_is_missing(client: Client) -> None:
    with pytest.raises(ApiError, match="404 There is no such study"):
        client.send("PUT", f"/api/studies/{new()}/points-sheet", {"lines": []})
    study = draft_study(client)
    assert client.send("PUT", f"/api/studies/{study}/points-sheet", {"lines": []})["version"] == 1
