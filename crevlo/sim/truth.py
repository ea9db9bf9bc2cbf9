"""Hidden truths of the simulated bench: what the analysis has to find again."""

from dataclasses import dataclass, field

from crevlo.core.success import Cause


@dataclass(frozen=True, slots=True)
class Truth:
    """One simulated machine: what its sheet says, and what only the simulation knows."""

    name: str
    bed_mm: tuple[float, float, float]
    price: float
    upgrades: float
    residual: float
    obtained: str
    obtained_from: str
    tools: int = 1
    enclosed: bool = False
    is_control: bool = False
    # hidden
    sliced: str = "step-block-a-0.20-absolute"
    scale: tuple[float, float, float] = (0.0, 0.0, 0.0)
    wall_mm: float = 0.0
    first_layer_mm: float = 0.0
    copy_spread_mm: float = 0.010
    time_factor: float = 1.05
    heat_w: float = 300.0
    steady_w: float = 90.0
    noise_db: float = 50.0
    fault_rate: float = 0.05
    fault_causes: tuple[Cause, ...] = (Cause.MACHINE,)
    defects: dict[str, float] = field(default_factory=dict)


MACHINES: tuple[Truth, ...] = (
    Truth("Hollowell Mesa", (256, 256, 256), 540, 0, 140, "bought", "a shop",
          sliced="step-block-b-0.20-relative", scale=(0.0006, -0.0003, 0.0004), wall_mm=0.050, first_layer_mm=-0.05,
          copy_spread_mm=0.012, time_factor=1.04, heat_w=420, steady_w=105, noise_db=51.5, fault_rate=0.05,
          defects={"stringing": 0.8, "blobs": 1.0, "ringing": 1.2, "foot": 0.9, "skins": 0.6}),
    Truth("Oddfellow Sparrow", (220, 220, 240), 310, 25, 80, "bought", "a shop",
          scale=(0.0004, 0.0009, 0.0), wall_mm=0.058, first_layer_mm=-0.04, copy_spread_mm=0.016, time_factor=1.06,
          heat_w=280, steady_w=74, noise_db=46.0, fault_rate=0.08, fault_causes=(Cause.PROFILE,),
          defects={"stringing": 1.0, "blobs": 0.9, "ringing": 0.8, "foot": 0.8, "skins": 0.8}),
    Truth("Corvane Twin", (250, 210, 210), 690, 0, 180, "lent", "its maker", tools=2,
          scale=(0.0021, 0.0004, 0.0008), wall_mm=0.08, first_layer_mm=-0.06, copy_spread_mm=0.02, time_factor=1.12,
          heat_w=330, steady_w=98, noise_db=49.0, fault_rate=0.12, fault_causes=(Cause.MACHINE,),
          defects={"stringing": 1.9, "blobs": 1.5, "ringing": 1.0, "gaps": 0.8, "foot": 1.1, "skins": 1.0}),
    Truth("Brindle 235", (235, 235, 250), 265, 40, 50, "bought", "a reader's second-hand unit",
          scale=(-0.0018, 0.0016, -0.0009), wall_mm=0.10, first_layer_mm=-0.10, copy_spread_mm=0.028, time_factor=1.15,
          heat_w=270, steady_w=82, noise_db=53.5, fault_rate=0.25, fault_causes=(Cause.MACHINE, Cause.OPERATOR),
          defects={"stringing": 1.6, "blobs": 1.8, "ringing": 2.2, "warp": 1.2, "gaps": 0.6, "foot": 2.0, "skins": 1.2}),
    Truth("Tamsin Forge", (250, 250, 250), 655, 30, 200, "given", "its importer", enclosed=True,
          scale=(0.0012, 0.0014, 0.0011), wall_mm=0.14, first_layer_mm=-0.08, copy_spread_mm=0.024, time_factor=1.25,
          heat_w=520, steady_w=165, noise_db=54.5, fault_rate=0.12, fault_causes=(Cause.MATERIAL,),
          defects={"stringing": 2.4, "blobs": 2.0, "ringing": 1.2, "gaps": 1.2, "foot": 1.6, "skins": 2.0}),
    Truth("Nettlewick Solo", (185, 185, 180), 229, 0, 50, "bought", "a shop",
          sliced="step-block-b-0.20-relative", scale=(0.0009, 0.0011, -0.0005), wall_mm=0.07, first_layer_mm=-0.05,
          copy_spread_mm=0.018, time_factor=1.08, heat_w=220, steady_w=70, noise_db=63.0, fault_rate=0.08,
          defects={"stringing": 1.2, "blobs": 1.2, "ringing": 2.6, "foot": 1.0, "skins": 1.0}),
    Truth("Orrin Standard", (250, 210, 220), 480, 0, 150, "bought", "a shop three years ago", is_control=True,
          sliced="step-block-c-0.20-no-estimate", scale=(0.0005, 0.0005, 0.0002), wall_mm=0.05, first_layer_mm=-0.04,
          copy_spread_mm=0.012, time_factor=1.0, heat_w=290, steady_w=80, noise_db=48.5, fault_rate=0.03,
          defects={"stringing": 0.8, "blobs": 0.8, "ringing": 0.8, "foot": 0.6, "skins": 0.6}),
)  # fmt: skip
"""The made-up machines of the demo scenario."""
