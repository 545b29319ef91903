"""A lap put right by hand, removed, and brought back."""

from __future__ import annotations

import uuid
from collections.abc import Mapping
from datetime import UTC, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.measure.readings import Measure, best, by_hand
from bullseye.store.errors import ChangedMeanwhile, NotFound
from bullseye.store.flying.laps import READINGS, LapBatch, Writer, check_and_learn, is_old, readings_of, tell
from bullseye.store.people import deeds
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import User

# What is corrected, as the log of who did what says it
_CORRECTED: Mapping[Measure, str] = {
    'along_ft': 'the touchdown (ft from the threshold)',
    'lateral_ft': 'the place across (ft)',
    'threshold_speed_kias': 'the speed over the threshold (KIAS)',
    'float_s': 'the float (s)',
    'aim_flown_ft': 'the aim point that was flown (ft)',
}
_ALIKE = 0.05  # what a screen rounds


def correct(
    db: Session,
    sortie: Sortie,
    lap_id: uuid.UUID,
    *,
    by: User,
    measure: Measure,
    value: float | None,
    seen: float | None = None,
) -> None:
    """Overrule a value of a lap by hand, or with None go back to the best of what was read.

    :param seen: the value that whoever corrects it was shown
    :raises NotFound: when the sortie has no such lap
    :raises ChangedMeanwhile: when it is another by now than the one that was seen
    :raises RefusedRequest: when the lap cannot have been so
    """
    lap = db.scalar(select(Lap).where(Lap.id == lap_id, Lap.sortie_id == sortie.id, Lap.removed_at.is_(None)))
    if lap is None:
        raise NotFound('lap')
    now = getattr(lap, measure)
    if seen is not None and (now is None or abs(now - seen) > _ALIKE):
        said = 'taken away' if now is None else f'set to {now:.0f}'
        raise ChangedMeanwhile(f'This value was {said} meanwhile. Look again, then correct it.', now)
    readings = readings_of(lap)
    of = readings.setdefault(measure, {})
    how = (lap.known_by or {}).get(measure, 'tapped')
    if not of and getattr(lap, measure) is not None and how != 'corrected':
        of[how] = by_hand(measure, getattr(lap, measure), how)  # what stood alone until now is kept beside it
    of.pop('corrected', None)
    if value is not None:
        of['corrected'] = by_hand(measure, value, 'corrected')
    counts = best(measure, of)
    setattr(lap, measure, counts.value if counts else None)
    known_by = {name: one for name, one in (lap.known_by or {}).items() if name != measure}
    lap.known_by = {**known_by, measure: counts.how} if counts else known_by
    lap.readings = READINGS.dump_python({name: one for name, one in readings.items() if one}, mode='json')
    lap.revision += 1
    lap.written_by = by.id
    check_and_learn(db, lap, commit=True)
    what = 'back to what was read' if value is None else f'to {value:g}'
    deeds.note(db, by, 'laps', f'Corrected {_CORRECTED[measure]} of a lap of sortie {sortie.id} {what}.')
    db.commit()


def remove(
    db: Session,
    sortie: Sortie,
    lap_id: uuid.UUID,
    *,
    by: User,
    writer: Writer | None = None,
    batch: LapBatch | None = None,
) -> None:
    """Take a lap away; writing it again brings it back.

    :raises NotFound: when the sortie has no such lap
    """
    lap = db.scalar(select(Lap).where(Lap.id == lap_id, Lap.sortie_id == sortie.id))
    if lap is None:
        if writer is not None:
            return  # made and taken away before the server ever heard of it
        raise NotFound('lap')
    if is_old(lap, writer):
        return
    if lap.removed_at is not None and writer is None:
        raise NotFound('lap')
    if writer is not None:
        lap.writers = {**lap.writers, str(writer.device): writer.number}
        lap.last_device = writer.device
    if lap.removed_at is None:
        tell(db, sortie, lap, by=by, what='Took away')
    lap.revision += 1
    lap.written_by = by.id
    lap.removed_at = datetime.now(UTC)
    if batch is None:
        db.commit()
    else:
        db.flush()
        batch.so_far.forget()
