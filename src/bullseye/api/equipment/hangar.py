"""The school's aircraft, standards and techniques: entering, changing, taking out of use."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from apiflask import APIBlueprint
from flask_login import login_required
from pydantic import Field, StringConstraints

from bullseye.api.context import database, person, seen_revision
from bullseye.api.equipment.catalogue import AircraftOut, StandardOut, TechniqueOut
from bullseye.api.schema import In, Out, Text
from bullseye.core.basis.sentence import Sentence
from bullseye.core.exchange.paste import read_landing_table, read_takeoff_table
from bullseye.core.fly.cards import Card, all_cards
from bullseye.core.given.aircraft import Aircraft, LandingTable, TakeoffTable
from bullseye.core.given.disputes import DISPUTES, Dispute, unsafe_combinations
from bullseye.core.given.loading import Loaded, Loading, loaded
from bullseye.core.given.standards import Standard
from bullseye.core.given.technique import Technique
from bullseye.store.equipment import catalogue, editing
from bullseye.store.people.roles import require_coach
from bullseye.store.rows import equipment as tables

bp = APIBlueprint('hangar', __name__, url_prefix='/api', tag='Hangar')
_MODELS: dict[str, Any] = {
    'aircraft': tables.Aircraft,
    'airfields': tables.Airfield,
    'standards': tables.Standard,
    'techniques': tables.Technique,
}
Kept = Literal['aircraft', 'airfields', 'standards', 'techniques']


class AircraftIn(In):
    """An aircraft as its handbook describes it."""

    spec: Aircraft


class StandardIn(In):
    """A set of tolerances."""

    spec: Standard


class TechniqueIn(In):
    """A school of thought under a name."""

    name: Text
    spec: Technique


class TableIn(In):
    """The cells of a table as a spreadsheet copies them."""

    kind: Literal['landing', 'takeoff']
    text: Annotated[str, StringConstraints(min_length=1, max_length=100_000)]


class TableOut(Out):
    """The table that was read."""

    landing: LandingTable | None
    takeoff: TakeoffTable | None


class LoadingIn(In):
    """What is put aboard an aircraft."""

    aircraft_id: Annotated[int, Field(strict=True, ge=1, le=2**31 - 1)]
    loading: Loading


class LoadingOut(Out):
    """The weight it makes."""

    loaded: Loaded


class TechniqueCheckIn(In):
    """Choices to be looked at together."""

    spec: Technique
    aircraft_id: Annotated[int, Field(strict=True, ge=1, le=2**31 - 1)] | None = None


class TechniqueCheckOut(Out):
    """What does not go together, and the cards as this technique flies them."""

    warnings: list[str]
    cards: list[Card]


class DisputesOut(Out):
    """Everything instructors differ on."""

    disputes: list[Dispute]


@bp.get('/disputes')
@login_required
@bp.output(DisputesOut)
@bp.doc(responses=[401])
def read_disputes() -> DisputesOut:
    """List what instructors differ on, with each way, what it suits and costs, and our default and why."""
    return DisputesOut(disputes=list(DISPUTES))


@bp.post('/aircraft')
@login_required
@bp.input(AircraftIn)
@bp.output(AircraftOut, status_code=201)
@bp.doc(responses=[401, 403])
def enter_aircraft(json_data: AircraftIn) -> Any:
    """Enter an aircraft."""
    return editing.keep_aircraft(database(), by=person(), spec=json_data.spec)


@bp.put('/aircraft/<int:row_id>')
@login_required
@bp.input(AircraftIn)
@bp.output(AircraftOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_aircraft(row_id: int, json_data: AircraftIn) -> Any:
    """Change an aircraft; laps already flown keep the figures they were flown by."""
    return editing.keep_aircraft(database(), by=person(), spec=json_data.spec, row_id=row_id, seen=seen_revision())


@bp.post('/tables')
@login_required
@bp.input(TableIn)
@bp.output(TableOut)
@bp.doc(responses=[401, 403])
def read_table(json_data: TableIn) -> TableOut:
    """Read a pasted table; a wrong cell is named by row and column. Nothing is written."""
    require_coach(person())
    if json_data.kind == 'landing':
        return TableOut(landing=read_landing_table(json_data.text), takeoff=None)
    return TableOut(landing=None, takeoff=read_takeoff_table(json_data.text))


@bp.post('/loading')
@login_required
@bp.input(LoadingIn)
@bp.output(LoadingOut)
@bp.doc(responses=[401, 404])
def read_loading(json_data: LoadingIn) -> LoadingOut:
    """Add up people, fuel and bags to the weight of an aircraft."""
    row = catalogue.aircraft(database(), json_data.aircraft_id)
    return LoadingOut(loaded=loaded(catalogue.aircraft_of(row), json_data.loading))


@bp.post('/standards')
@login_required
@bp.input(StandardIn)
@bp.output(StandardOut, status_code=201)
@bp.doc(responses=[401, 403])
def enter_standard(json_data: StandardIn) -> Any:
    """Enter a standard of the school's own."""
    return editing.keep_standard(database(), by=person(), spec=json_data.spec)


@bp.put('/standards/<int:row_id>')
@login_required
@bp.input(StandardIn)
@bp.output(StandardOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_standard(row_id: int, json_data: StandardIn) -> Any:
    """Change a standard of the school's own; the built-in ones stay as they are."""
    return editing.keep_standard(database(), by=person(), spec=json_data.spec, row_id=row_id, seen=seen_revision())


@bp.post('/techniques')
@login_required
@bp.input(TechniqueIn)
@bp.output(TechniqueOut, status_code=201)
@bp.doc(responses=[401, 403])
def enter_technique(json_data: TechniqueIn) -> Any:
    """Enter a technique."""
    return editing.keep_technique(database(), by=person(), name=json_data.name, spec=json_data.spec)


@bp.put('/techniques/<int:row_id>')
@login_required
@bp.input(TechniqueIn)
@bp.output(TechniqueOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_technique(row_id: int, json_data: TechniqueIn) -> Any:
    """Change a technique; the built-in ones stay as they are."""
    return editing.keep_technique(
        database(), by=person(), name=json_data.name, spec=json_data.spec, row_id=row_id, seen=seen_revision()
    )


@bp.post('/techniques/<int:row_id>/mine')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404])
def make_technique_mine(row_id: int) -> tuple[str, int]:
    """Start new sorties of this instructor with a technique."""
    editing.make_mine(database(), by=person(), technique_id=row_id)
    return '', 204


@bp.post('/techniques/check')
@login_required
@bp.input(TechniqueCheckIn)
@bp.output(TechniqueCheckOut)
@bp.doc(responses=[401, 404])
def check_technique(json_data: TechniqueCheckIn) -> TechniqueCheckOut:
    """Say what does not go together, for one aircraft or for all of the school; nothing is written."""
    db = database()
    one = json_data.aircraft_id
    rows = [catalogue.aircraft(db, one)] if one is not None else catalogue.all_aircraft(db)
    warnings: dict[Sentence, None] = {}
    for row in rows:
        warnings.update(dict.fromkeys(unsafe_combinations(json_data.spec, catalogue.aircraft_of(row))))
    return TechniqueCheckOut(warnings=[str(one) for one in warnings], cards=list(all_cards(json_data.spec)))


@bp.delete('/<any(aircraft, airfields, standards, techniques):what>/<int:row_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 409])
def take_out_of_use(what: Kept, row_id: int) -> tuple[str, int]:
    """Take something out of use; past sorties keep it."""
    editing.set_in_use(database(), _MODELS[what], row_id, by=person(), in_use=False)
    return '', 204


@bp.post('/<any(aircraft, airfields, standards, techniques):what>/<int:row_id>/restore')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 409])
def bring_back(what: Kept, row_id: int) -> tuple[str, int]:
    """Bring back what was taken out of use."""
    editing.set_in_use(database(), _MODELS[what], row_id, by=person(), in_use=True)
    return '', 204
