"""What the demo enters: made-up machines, buyers and prices of a repair counter's study."""

from typing import Any

from crevlo.sim.truth import Truth

BOX = ("Machine", "Power cable", "Plate", "Spare nozzle", "Tools", "Printed guide")


BOX_FLAWS = {
    "Brindle 235": ("Spare nozzle", "missing", "Sold second-hand without it."),
    "Tamsin Forge": ("Plate", "damaged", "A scratch across the middle; exchanged."),
}


ASSEMBLY = (
    ("Unpack and remove the locks", 9),
    ("Frame and gantry", 16),
    ("Cables and belts", 11),
    ("First start and levelling", 14),
)


WORTHS = {
    "Two colours": 130,
    "Enclosure": 110,
    "Levels itself": 60,
    "Camera": 35,
    "Filament sensor": 20,
    "Spare nozzle in the box": 8,
}


FEATURES = {
    "Hollowell Mesa": ("Levels itself", "Camera", "Filament sensor", "Spare nozzle in the box"),
    "Oddfellow Sparrow": ("Levels itself", "Spare nozzle in the box"),
    "Corvane Twin": ("Two colours", "Filament sensor", "Spare nozzle in the box"),
    "Brindle 235": (),
    "Tamsin Forge": ("Enclosure", "Levels itself", "Filament sensor", "Spare nozzle in the box"),
    "Nettlewick Solo": ("Spare nozzle in the box",),
    "Orrin Standard": ("Levels itself", "Filament sensor", "Spare nozzle in the box"),
}


def claims_of(truth: Truth) -> dict[str, float]:
    """What the makers say, on the bright side of the truth."""
    return {
        "noise": round(truth.noise_db - 3.5), "printable width": truth.bed_mm[0], "printable depth": truth.bed_mm[1],
        "top speed": SHEETS[truth.name]["top_speed_mm_s"], "warm-up time": 240, "weight": SHEETS[truth.name]["weight_kg"],
        "warranty": 24 if truth.price > 300 else 12,
    }  # fmt: skip


HOURS_APART = 18


LIVE = {"Orrin Standard": 26, "Tamsin Forge": 4}


SHEETS: dict[str, dict[str, Any]] = {
    "Hollowell Mesa": {"motion": "crossed belts", "board": "HM-4, 32 bit", "hotend": "steel throat", "extruder": "geared, direct",
                       "nozzle_max_c": 300, "bed_max_c": 110, "top_speed_mm_s": 500, "acceleration_mm_s2": 9000, "flow_mm3_s": 22,
                       "weight_kg": 14.2,
                       "keep_outs": [{"x_mm": 0, "y_mm": 0, "width_mm": 256, "depth_mm": 8}]},
    "Oddfellow Sparrow": {"motion": "moving bed", "board": "SP-2, 32 bit", "hotend": "lined throat", "extruder": "direct",
                          "nozzle_max_c": 260, "bed_max_c": 100, "top_speed_mm_s": 250, "acceleration_mm_s2": 2500, "corner_mm_s": 8, "flow_mm3_s": 14,
                       "weight_kg": 8.2},
    "Corvane Twin": {"motion": "moving bed", "board": "CT-1, 32 bit", "hotend": "two, side by side", "extruder": "two, remote",
                     "nozzle_max_c": 280, "bed_max_c": 100, "top_speed_mm_s": 220, "acceleration_mm_s2": 1800, "corner_mm_s": 8, "flow_mm3_s": 12,
                       "weight_kg": 12.8},
    "Brindle 235": {"motion": "moving bed", "board": "B-8, 8 bit", "hotend": "lined throat", "extruder": "remote",
                    "nozzle_max_c": 255, "bed_max_c": 90, "top_speed_mm_s": 180, "acceleration_mm_s2": 1000, "corner_mm_s": 6, "flow_mm3_s": 10,
                       "weight_kg": 8.9},
    "Tamsin Forge": {"motion": "crossed belts", "board": "TF-3, 32 bit", "hotend": "steel throat", "extruder": "geared, direct",
                     "nozzle_max_c": 320, "bed_max_c": 120, "top_speed_mm_s": 350, "acceleration_mm_s2": 6000, "flow_mm3_s": 18,
                       "weight_kg": 26.5},
    "Nettlewick Solo": {"motion": "cantilever", "board": "NS-1, 32 bit", "hotend": "lined throat", "extruder": "direct",
                        "nozzle_max_c": 250, "bed_max_c": 80, "top_speed_mm_s": 160, "acceleration_mm_s2": 900, "corner_mm_s": 5, "flow_mm3_s": 9,
                       "weight_kg": 5.1},
    "Orrin Standard": {"motion": "moving bed", "board": "OS-3, 32 bit", "hotend": "steel throat", "extruder": "geared, direct",
                       "nozzle_max_c": 300, "bed_max_c": 120, "top_speed_mm_s": 200, "acceleration_mm_s2": 1250, "corner_mm_s": 8, "flow_mm3_s": 12,
                       "weight_kg": 9.4},
}  # fmt: skip


FAULTS = {
    "machine": "Extruder skipped, walls thin from there on.",
    "profile": "First layer too fast for the plate, part came loose.",
    "material": "Spool snagged on its own winding.",
    "operator": "Plate not seated after the last removal.",
    "power": "Fuse tripped.",
    "unknown": "Stopped with no message.",
}


_SAFE = {"kind": "safety"}


BUYERS: dict[str, dict[str, Any]] = {
    "Repair counter, staffed": {
        "weights": {"off.mean": 22, "repeatability": 12, "defects": 16, "success": 16, "time": 10, "cost": 12, "energy": 4, "noise": 8},
        "must_haves": [
            {"kind": "length", "limit": 180, "what": "the rack arm"}, _SAFE, {"kind": "noise", "limit": 58},
            {"kind": "price", "limit": 700},
        ],
        "wishes": {"prints_month": 60, "budget": 400, "step": 200},
    },
    "Volunteer evening": {
        "weights": {"success": 28, "noise": 18, "time": 16, "defects": 12, "off.mean": 10, "repeatability": 6, "cost": 6, "energy": 4},
        "must_haves": [_SAFE, {"kind": "noise", "limit": 55}],
    },
    "Workshop batch maker": {
        "weights": {"cost": 30, "success": 20, "time": 16, "off.mean": 12, "repeatability": 10, "defects": 6, "energy": 6, "noise": 0},
        "must_haves": [_SAFE, {"kind": "success", "limit": 0.5}],
        "wishes": {"prints_month": 300},
    },
    "Travelling van": {
        "weights": {"success": 24, "time": 22, "off.mean": 14, "cost": 12, "defects": 10, "repeatability": 6, "energy": 6, "noise": 6},
        "must_haves": [_SAFE, {"kind": "figure", "what": "sheet.weight", "limit": 9.5}],
        "wishes": {"prints_month": 20, "budget": 350, "step": 50},
    },
    "First-time helper": {
        "weights": {"success": 34, "defects": 16, "off.mean": 12, "noise": 12, "repeatability": 8, "cost": 8, "time": 6, "energy": 4},
        "must_haves": [_SAFE],
        "wishes": {"prints_month": 6, "budget": 300, "step": 100},
    },
}  # fmt: skip
