"""What a crosswind asks of hands and feet on short final, and when the rudder runs out."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.basis.constants import APPROACH_LIFT_COEFFICIENT, SIDE_FORCE_PER_RAD
from bullseye.core.basis.sentence import Phrasebook, Quantity, Sentence, degrees, joined, knots, per_cent

_WORTH_SAYING_KT = 1.0  # [own]
_BOOK = Phrasebook('crosswind')


@dataclass(frozen=True, slots=True, kw_only=True)
class CrosswindHands:
    """Crab and wing-down angle on short final, in the strongest crosswind reported."""

    crosswind_kt: float  # positive from the right
    crab_deg: float  # nose into the wind, wings level
    wing_down_deg: float  # into the wind, nose along the runway
    wing_down_at_touchdown_deg: float
    sideslip_at_touchdown_deg: float
    rudder_share: float  # of the sideslip that the known limit proves the rudder can hold
    limit_kt: float
    limit_at_touchdown_words: Sentence
    words: Sentence


def crab_deg(*, crosswind_kt: float, true_airspeed_kt: float) -> float | None:
    """Angle of the nose to the track [°], exact; None when the wind across is faster than the aeroplane."""
    share = crosswind_kt / true_airspeed_kt
    return math.degrees(math.asin(share)) if abs(share) < 1 else None


def wing_down_deg(*, sideslip_deg: float) -> float:
    """Bank that holds a steady sideslip on a straight track [°].

    The side force of the slip is met by the lift leaned into it: tan φ = CYβ·β / CL, with CYβ 0.5 per radian and CL 1.2
    [own: common light singles lie between a third and a half of a degree of bank a degree of slip].
    """
    return math.degrees(math.atan(SIDE_FORCE_PER_RAD * math.radians(sideslip_deg) / APPROACH_LIFT_COEFFICIENT))


def _angle(angle_deg: float, touch: str) -> Quantity | Sentence:
    return degrees(angle_deg) if angle_deg >= 0.5 else _BOOK.say(touch)


def crosswind_hands(
    *, crosswind_kt: float | None, approach_ktas: float, touchdown_ktas: float, limit_kt: float, limit_source: str
) -> CrosswindHands | None:
    """What the strongest crosswind asks for; None in no crosswind worth saying, or when it is unknown.

    The rudder is known to hold the sideslip of the limit at touchdown speed: that is where the limit was flown. What it
    can hold beyond is not known, so a share above 1 is over what anybody has shown.
    """
    if crosswind_kt is None or abs(crosswind_kt) < _WORTH_SAYING_KT:
        return None
    crab = crab_deg(crosswind_kt=crosswind_kt, true_airspeed_kt=approach_ktas)
    slip = crab_deg(crosswind_kt=crosswind_kt, true_airspeed_kt=touchdown_ktas)
    known = crab_deg(crosswind_kt=limit_kt, true_airspeed_kt=touchdown_ktas)
    if crab is None or slip is None:
        return None
    share = abs(slip) / known if known else 1.0
    side = 'right' if crosswind_kt > 0 else 'left'
    other = 'left' if side == 'right' else 'right'
    bank = wing_down_deg(sideslip_deg=abs(crab))
    verdict = _BOOK.say('over') if share > 1 else _BOOK.say('within', share=per_cent(share * 100))
    hands = _BOOK.say(
        'hands',
        crab=_angle(abs(crab), 'a_touch'),
        side=side,
        bank=_angle(bank, 'touch'),
        other=other,
    )
    return CrosswindHands(
        crosswind_kt=crosswind_kt,
        crab_deg=crab,
        wing_down_deg=bank,
        wing_down_at_touchdown_deg=wing_down_deg(sideslip_deg=abs(slip)),
        sideslip_at_touchdown_deg=abs(slip),
        rudder_share=share,
        limit_kt=limit_kt,
        limit_at_touchdown_words=_BOOK.say('limit', limit=knots(limit_kt), source=limit_source),
        words=joined(hands, verdict),
    )
