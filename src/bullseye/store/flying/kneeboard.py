"""The kneeboard card of a sortie."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bullseye.core.basis.sentence import knots, pounds
from bullseye.core.brief.kneeboard import Kneeboard, make_kneeboard
from bullseye.store.flying.plan import Planned, planned
from bullseye.store.flying.requests import brief_of
from bullseye.store.rows.flying import Sortie


def kneeboard_of(db: Session, sortie: Sortie, known: Planned | None = None) -> Kneeboard:
    """The kneeboard card of a sortie as it is briefed now."""
    known = known or planned(db, sortie)
    request = known.live
    brief = brief_of(request)
    wind, field = request.wind, sortie.runway_end.airfield.name
    blows = 'not given' if wind is None else 'calm' if not wind.speed_kt else str(knots(wind.speed_kt))
    if wind is not None and wind.speed_kt:
        from_deg = brief.wind.wind_dir_deg_mag
        blows = f'{"variable" if from_deg is None else f"{round(from_deg) % 360 or 360:03d}°"} {blows}'
        blows += f' gust {knots(wind.gust_kt)}' if wind.gust_kt else ''
        blows += ' magnetic' if from_deg is not None else ''
    return make_kneeboard(
        request=request,
        brief=brief,
        parts=known.parts,
        card=brief.card,
        title=f'{sortie.student.name}, {sortie.aircraft.name}, {field} {request.runway.ident}',
        subtitle=f'{sortie.planned_on:%d %b %Y}, wind {blows}, {pounds(request.weight_lb)}, '
        f'{sortie.standard.name}, technique {sortie.technique.name}',
    )
