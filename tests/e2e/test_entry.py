"""Every way of entering what a print tells, by keys alone: rungs, map, column, waves, scale, stopwatch, words, looks, counts."""

import math

import pytest
from playwright.sync_api import Page, expect

from crevlo.sim.client import Client
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands
from tests.small import new
from tests.states import EQUAL, make

ARTIFACTS = ("CC", "FS", "ZC", "RW", "FL", "SL", "RA", "OP")


@pytest.fixture
def client(site: Site) -> Client:
    return site.bench.as_("reviewer")


@pytest.fixture
def hands(page: Page, site: Site) -> Hands:
    site.let_in(page, "reviewer")
    return Hands(page)


def test_a_comb_is_judged_rung_by_rung_and_corrected_with_a_reason(
    page: Page, site: Site, client: Client, hands: Hands, check_axe
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="CC", measured=False, inspected=False)
    site.open(page, study, "measure")
    queue = page.get_by_role("region", name="Queue")
    ladder = page.get_by_role("region", name="Ladder of gaps")
    says = page.get_by_role("region", name="What the readings say so far")
    expect(ladder.get_by_role("button", name="0.50")).to_have_attribute("aria-current", "step")
    hands.press("Enter")
    expect(ladder.get_by_role("button", name="0.45")).to_have_attribute("aria-current", "step")
    hands.press("ArrowDown")
    hands.press("ArrowDown")
    hands.press("a")
    expect(queue).to_contain_text("4/10")
    expect(says).to_contain_text("Frees by hand down to 0.35 mm at least")
    hands.press("3")
    hands.press("5")
    expect(says).to_contain_text("With pliers down to 0.30 mm")
    expect(ladder.get_by_role("button", name="0.30")).to_contain_text("partly, with pliers")
    # Back to a rung that was said: another key asks for the reason, and what was said stays on record.
    hands.press("ArrowUp")
    hands.press("ArrowUp")
    hands.press("2")
    hands.type("it was the next one")
    hands.press("Enter")
    expect(says).to_contain_text("Frees by hand down to 0.30 mm")
    expect(page.get_by_role("button", name="G30: by hand, corrected, change")).to_be_visible()
    assert check_axe(page) == []
    # Without a network it is kept here, shown as such, and sent once there is one again.
    page.context.set_offline(True)
    hands.press("f")
    expect(ladder).to_contain_text("fail, not sent yet")
    page.context.set_offline(False)
    expect(queue).to_contain_text("7/10")


def test_each_kind_of_entry_by_keys(page: Page, site: Site, client: Client, hands: Hands) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact=ARTIFACTS, measured=False, inspected=False)
    queue = client.get(f"/api/studies/{study}/measure")
    kinds = {i["kind"]: i["id"] for i in queue["instruments"]}
    by_name = {line["artifact"]: line["id"] for line in reversed(queue["queue"])}
    # All of the column but its last width was measured before.
    column = client.get(f"/api/specimens/{by_name['Z column']}")
    widths = [f for f in column["features"] if f["entry"] == "column"]
    client.send("POST", f"/api/specimens/{column['id']}/readings/batch", {"readings": [
        {"id": new(), "feature_id": f["feature_id"], "repeat": 1, "instrument_id": kinds["caliper"],
         "value": round(15 + 0.05 * math.sin(2 * math.pi * f["level"] / 8), 2)} for f in widths[:-1]]})  # fmt: skip
    site.open(page, study, "measure")
    says = page.get_by_role("region", name="What the readings say so far")
    asked = page.locator("label[for=reading]")

    def take(name: str, group: str | None = None) -> None:
        page.get_by_role("region", name="Queue").get_by_text(name).first.click()
        if group:
            page.get_by_role("radiogroup", name="What is entered").get_by_text(group).click()

    def key_in(*values: str) -> None:
        for value in values:
            hands.type(value)
            hands.press("Enter")

    take("First-layer")
    expect(asked).to_have_text("A1")
    hands.press("ArrowRight")
    expect(asked).to_have_text("A2")
    hands.press("ArrowUp")
    expect(asked).to_have_text("B2")
    key_in("0,21")
    hands.press("l")
    hands.press("3")
    expect(page.get_by_role("region", name="Where to measure")).to_contain_text("look 3")

    take("Z column", "Column")
    expect(asked).to_have_text(widths[-1]["code"])
    key_in(f"{15 + 0.05 * math.sin(2 * math.pi * widths[-1]['level'] / 8):.2f}")
    expect(says).to_contain_text("Bands repeat every 8.0")

    take("Ringing wall")
    expect(asked).to_have_text("XS")
    key_in("3,9")
    expect(asked).to_have_text("YS")
    page.get_by_role("button", name="no waves at all").click()
    expect(asked).to_have_text("XF")
    key_in("7,8")
    expect(says).to_contain_text("X rings at 46.")
    expect(says).to_contain_text("A resonance of that axis.")

    take("Flow ladder")
    expect(asked).to_have_text("F1")
    key_in("1,576", "1,575", "1,574", "1,40")
    expect(says).to_contain_text("Extrusion falls short from")

    take("Snap lid", "Judged")
    expect(page.get_by_role("region", name="To judge").first).to_contain_text("how does it sit?")
    hands.press("5")
    expect(page.get_by_label("N: how many")).to_be_focused()
    key_in("2")
    expect(says).to_contain_text("The fit is loose, 1.0 steps")
    expect(says).to_contain_text("It closed after 2.0 tries")

    take("Rack arm", "Stopwatch")
    hands.press("Space")
    expect(page.get_by_role("button", name="Stop")).to_be_visible()
    page.reload()
    page.get_by_role("region", name="Queue").get_by_text("Rack arm").first.click()
    page.get_by_role("radiogroup", name="What is entered").get_by_text("Stopwatch").click()
    page.get_by_role("button", name="Stop").click()
    hands.press("Enter")
    expect(says).to_contain_text("Cleaned in")
    page.get_by_role("radiogroup", name="What is entered").get_by_text("Judged").click()
    hands.press("2")
    expect(says).to_contain_text("Support scars, 0 best to 5 worst 2.0")

    take("Ooze posts")
    for code, count in (("T10", "0"), ("T20", "3"), ("T40", "12")):
        expect(page.get_by_label(f"{code}: how many")).to_be_focused()
        hands.type(count)
        hands.press("Enter")
    expect(says).to_contain_text("Strings per travel 5.0")
    expect(says).to_contain_text("12 over 40 mm")


def test_a_table_is_pasted_or_dropped_seen_and_kept_whole(
    page: Page, site: Site, client: Client, hands: Hands, check_axe
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    first, second = (q["blind_code"] for q in client.get(f"/api/studies/{study}/measure")["queue"])
    site.open(page, study, "measure")
    queue = page.get_by_role("region", name="Queue")
    expect(page.locator("#reading")).to_be_focused()
    page.evaluate(
        """text => { const sent = new DataTransfer(); sent.setData("text", text);
        document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: sent, bubbles: true})); }""",
        f"code\tX1\tY1\n{first}\t40,07\tabc\n{second}\t40.01\t29.99\n",
    )
    table = page.get_by_role("dialog", name="Readings from a table")
    expect(table.get_by_role("status")).to_have_text("2 of 4 values cannot be kept, so none is.")
    expect(table).to_contain_text("abc is no number")
    expect(table.get_by_role("button", name="Keep")).to_be_disabled()
    assert check_axe(page) == []
    # Its columns are called otherwise: they are named once, and known the next time.
    for once in (True, False):
        face, size = ("X1", 40) if once else ("X2", 30)
        own = f"what,where,how much\n{first},{face},{size}.07\n{second},{face},{size}.01\n"
        if not once:
            page.get_by_role("button", name="Paste a table").click()
        table.get_by_label("or a file, CSV or XLSX:").set_input_files(
            {"name": "sizes.csv", "mimeType": "text/csv", "buffer": own.encode()}
        )
        if once:
            expect(table.get_by_role("status")).to_have_text(
                "No column names the specimens: say which holds their codes."
            )
            for part, column in (("Codes of specimens", "what"), ("Values", "how much"), ("Faces", "where")):
                table.get_by_label(part).select_option(column)
        expect(table.get_by_role("status")).to_have_text("2 values of 2 specimens can be kept.")
        table.get_by_role("button", name="Keep 2 values").click()
        expect(table).not_to_be_visible()
        expect(queue).to_contain_text("1/" if once else "2/")
    kept = client.get(f"/api/studies/{study}/measure")["queue"]
    assert [q["done"] for q in kept] == [2, 2]


def test_a_gauge_study_by_two_people_at_their_own_screens(
    page: Page, site: Site, client: Client, hands: Hands, check_axe, browser
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    site.open(page, study, "measure")
    page.get_by_role("button", name="Gauge study").click()
    sheet = page.get_by_role("dialog", name="Gauge study")
    expect(sheet.get_by_role("button", name="Begin a gauge study")).to_be_disabled()
    sheet.get_by_role("combobox", name="Instrument").click()
    page.get_by_role("option", name="C-").first.click()
    sheet.get_by_role("combobox", name="Readings of each").click()
    page.get_by_role("option", name="2", exact=True).click()
    sheet.get_by_role("checkbox", name="X1").check()
    sheet.get_by_role("checkbox", name="X2").check()
    names = [c.get("/api/session")["name"] for c in (client, site.bench.as_("rater"))]
    for name in names:
        sheet.get_by_role("checkbox", name=name).check()
    expect(sheet).to_contain_text("4 parts × 2 people × 2 readings: 8 readings each.")
    assert check_axe(page) == []
    sheet.get_by_role("button", name="Begin a gauge study").click()

    def read(on: Page, off: float) -> None:
        inside, keys = on.get_by_role("dialog", name="Gauge study"), Hands(on)
        for n in range(8):
            expect(inside.locator("li", has_text=f"{n}/8").first).to_be_visible()
            field = inside.locator("#gauge-reading")
            expect(field).to_be_focused()
            nominal = 40 if "X1" in inside.locator("label[for=gauge-reading]").inner_text() else 30
            keys.type(f"{nominal + off + 0.01 * (n % 2):.2f}".replace(".", ","))
            keys.press("Enter")

    read(page, 0.05)
    expect(sheet.get_by_role("status")).to_have_text(
        "You have read all of yours. What was found is shown when everybody has."
    )
    other = browser.new_page()
    site.let_in(other, "rater")
    site.open(other, study, "measure")
    other.get_by_role("button", name="Gauge study").click()
    read(other, 0.02)
    shown = other.get_by_role("dialog", name="Gauge study")
    expect(shown).to_contain_text("of the spread")
    expect(shown.get_by_role("img", name="Readings off nominal by part and person")).to_be_visible()
    expect(shown.get_by_role("button", name="End it")).not_to_be_visible()
    other.close()
    page.reload()
    page.get_by_role("button", name="Gauge study").click()
    assert check_axe(page) == []
    sheet.get_by_role("button", name="End it: it holds from now on").click()
    expect(sheet).to_contain_text("Holds for the caliper")
    expect(sheet.get_by_role("button", name="Begin a gauge study")).to_be_visible()


def test_more_readings_are_asked_for_where_they_narrow_a_result(
    page: Page, site: Site, client: Client, hands: Hands
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, inspected=False, blind=True)
    first = client.get(f"/api/studies/{study}/measure")["queue"][0]
    more = client.get(f"/api/specimens/{first['id']}")["more"]
    site.open(page, study, "measure")
    entry = page.get_by_role("region", name="Reading", exact=True)
    expect(entry).to_contain_text(more["words"])
    entry.get_by_role("button", name="Read them now").click()
    face = more["words"].split(" of ")[1].split()[0]
    asked = page.locator("label[for=reading]")
    for n in range(more["more"]):
        expect(asked).to_contain_text(f"{face} · reading {n + 2} of")
        line = next(f for f in client.get(f"/api/specimens/{first['id']}")["features"] if f["code"] == face)
        hands.type(f"{line['nominal'] + 0.05:.2f}")
        hands.press("Enter")
    expect(asked).to_contain_text("Every face of this specimen is measured.")
    after = client.get(f"/api/specimens/{first['id']}")
    assert (after["done"], after["due"]) == (first["due"], first["due"])
    assert not after["more"] or after["more"]["words"] != more["words"]
