"""What was practised on the ground: handed out under a signature, judged from the answers, kept once, for its owner."""

from __future__ import annotations

import dataclasses
import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any, Literal

from itsdangerous import BadSignature, URLSafeSerializer
from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.sentence import Phrasebook, count
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.practise.drills import (
    LEAST_PICTURES,
    MOST_PICTURES,
    ClipTruth,
    Picture,
    Practised,
    Press,
    judge_path,
    judge_roundout,
)
from bullseye.core.practise.threshold import OFFSETS_DEG
from bullseye.store.errors import Conflict
from bullseye.store.rows.people import User
from bullseye.store.rows.record import Practice

Drill = Literal['path', 'roundout']
_PICTURES, _PRESSES = TypeAdapter(list[Picture]), TypeAdapter(list[Press])
_TRUTHS = TypeAdapter(list[ClipTruth])
_HOLDS = timedelta(days=30)  # [own] for which what was taken along may be answered
_SHOWN = 200


@dataclass(frozen=True, slots=True, kw_only=True)
class Handed:
    """What was handed out: to whom, when, which drill, where, and what is true of it."""

    id: str
    person_id: int
    handed_at: str
    drill: Drill
    conditions: dict[str, str]
    truth: list[dict[str, float]]


_BOOK = Phrasebook('practise')


def _refused(field: str, why: str) -> RefusedRequest:
    values = {'least': count(LEAST_PICTURES), 'most': count(MOST_PICTURES)} if why == 'how_many' else {}
    return RefusedRequest({field: str(_BOOK.say(f'refused_{why}', **values))})


def _signer(key: str) -> URLSafeSerializer:
    return URLSafeSerializer(key, salt='practice')


def hand_out(
    person: User, *, key: str, drill: Drill, conditions: dict[str, str], truths: Sequence[ClipTruth] = ()
) -> str:
    """Sign what is handed out, so that answers can be judged again, once, for this person alone."""
    handed = Handed(
        id=str(uuid.uuid4()),
        person_id=person.id,
        handed_at=datetime.now(UTC).isoformat(),
        drill=drill,
        conditions=conditions,
        truth=_TRUTHS.dump_python(list(truths), mode='json'),
    )
    return str(_signer(key).dumps(dataclasses.asdict(handed)))


def _read(token: str, *, key: str, person: User) -> Handed:
    """What a token is of.

    :raises RefusedRequest: when it was altered, is of another person, or is too old
    """
    try:
        handed = TypeAdapter(Handed).validate_python(_signer(key).loads(token))
    except (BadSignature, ValidationError):
        raise _refused('token', 'altered') from None
    if handed.person_id != person.id:
        raise _refused('token', 'anothers')
    if datetime.now(UTC) - datetime.fromisoformat(handed.handed_at) > _HOLDS:
        raise _refused('token', 'old')
    return handed


def _judged(handed: Handed, answers: Sequence[dict[str, Any]]) -> tuple[Practised, list[Any]]:
    """Judge answers by what is true of what was handed out.

    :raises RefusedRequest: for answers that cannot be of it
    """
    try:
        if handed.drill == 'path':
            pictures = _PICTURES.validate_python(answers)
            if not LEAST_PICTURES <= len(pictures) <= MOST_PICTURES:
                raise _refused('answers', 'how_many')
            if any(one.off_deg not in OFFSETS_DEG for one in pictures):
                raise _refused('answers', 'not_of_these')
            return judge_path(pictures), _PICTURES.dump_python(pictures, mode='json')
        presses, truths = _PRESSES.validate_python(answers), _TRUTHS.validate_python(handed.truth)
    except ValidationError:
        raise _refused('answers', 'not_of_these') from None
    clips = [one.clip for one in presses]
    if not presses or len(set(clips)) != len(clips) or max(clips) >= len(truths):
        raise _refused('answers', 'not_of_these')
    return judge_roundout(truths, presses), _PRESSES.dump_python(presses, mode='json')


def keep(db: Session, person: User, *, key: str, token: str, answers: Sequence[dict[str, Any]]) -> Practised:
    """Judge what was practised, and keep it once.

    :raises RefusedRequest: when token or answers cannot be
    :raises Conflict: when other answers to the same were kept before
    """
    handed = _read(token, key=key, person=person)
    found, plain = _judged(handed, answers)
    known = db.get(Practice, (person.school_id, uuid.UUID(handed.id)))
    if known is not None:
        if known.answers != plain:
            raise Conflict('these pictures were answered before, and count once')
        return found
    db.add(
        Practice(
            school_id=person.school_id,
            id=uuid.UUID(handed.id),
            person_id=person.id,
            drill=handed.drill,
            practised_at=datetime.now(UTC),
            figure=found.figure,
            low=found.low,
            high=found.high,
            items=found.items,
            conditions=handed.conditions,
            answers=plain,
        )
    )
    db.commit()
    return found


def of_person(db: Session, person: User) -> Sequence[Practice]:
    """What a person practised, latest first."""
    query = (
        select(Practice)
        .where(Practice.school_id == person.school_id, Practice.person_id == person.id)
        .order_by(Practice.practised_at.desc())
        .limit(_SHOWN)
    )
    return db.scalars(query).all()
