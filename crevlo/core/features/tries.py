"""How often it was tried until it closed."""

from crevlo.core.features.kind import FeatureKind, Takes

TRIES = FeatureKind("tries", "Tries", Takes.COUNT)
