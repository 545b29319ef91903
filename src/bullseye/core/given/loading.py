"""From people, fuel and bags to the weight of the aeroplane; stations and balance stay with the handbook."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from pydantic import Field

from bullseye.core.basis.limits import BagsLb, FuelGal, PersonLb
from bullseye.core.basis.quantity import Checked
from bullseye.core.basis.sentence import as_given, pounds
from bullseye.core.given.aircraft import Aircraft

AVGAS_LB_PER_GAL = 6.0  # [pub: FAA-H-8083-1, standard weight]


@dataclass(frozen=True, slots=True, kw_only=True)
class Loading(Checked):
    """What is put aboard."""

    people_lb: Annotated[tuple[PersonLb, ...], Field(max_length=12)] = ()
    bags_lb: BagsLb = 0.0
    fuel_gal: FuelGal = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Loaded:
    """The weight, what it is made of, and whether it is within the maximum."""

    weight_lb: float
    parts_lb: tuple[tuple[str, float], ...]
    over_lb: float  # above the maximum; negative: to spare
    words: str


def loaded(aircraft: Aircraft, loading: Loading) -> Loaded:
    """Add it up. Balance is not worked out: the handbook's envelope decides."""
    parts = (
        ('empty', aircraft.empty_weight_lb),
        ('people', sum(loading.people_lb)),
        ('bags', loading.bags_lb),
        ('fuel', loading.fuel_gal * AVGAS_LB_PER_GAL),
    )
    weight = sum(lb for _, lb in parts)
    over = weight - aircraft.max_weight_lb
    words = (
        f'{pounds(math.ceil(over))} OVER the maximum of {as_given(aircraft.max_weight_lb, "lb")}.'
        if over > 0
        else f'{pounds(weight)}, {pounds(math.floor(-over))} below the maximum. '
        'Balance is not checked here: use the handbook.'
    )
    return Loaded(weight_lb=weight, parts_lb=parts, over_lb=over, words=words)


def usual_weight_lb(aircraft: Aircraft) -> float:
    """Two people and half the fuel: about two thirds of the way from empty to maximum, in tens [own]."""
    return round(aircraft.empty_weight_lb + (aircraft.max_weight_lb - aircraft.empty_weight_lb) * 2 / 3, -1)
