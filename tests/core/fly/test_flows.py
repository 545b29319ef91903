"""Flows name only levers and wheels that the aircraft has."""

import dataclasses

import pytest

from bullseye.core.fly.flows import usual_flows
from bullseye.demo.fleet import AIRCRAFT

MARRAM, SORREL, BRAMBLE = AIRCRAFT['Marram 160'], AIRCRAFT['Sorrel 200R'], AIRCRAFT['Bramble 90T']


def named(aircraft, **particulars) -> str:
    about = dataclasses.replace(aircraft.particulars, **particulars)
    flows = usual_flows(dataclasses.replace(aircraft, particulars=about), 'fuel on both')
    return ' | '.join(item for flow in flows for item in (*flow.items, *flow.callouts))


@pytest.mark.parametrize(('propeller', 'is_named'), [('variable', True), ('fixed', False)])
def test_a_lever_is_named_where_there_is_one(propeller, is_named):
    assert ('propeller forward' in named(SORREL, propeller=propeller)) is is_named


@pytest.mark.parametrize('has_heat', [True, False])
def test_carburettor_heat_is_set_hot_and_cold_again_where_there_is_any(has_heat):
    said = named(MARRAM, has_carburettor_heat=has_heat)
    assert ('carburettor heat hot' in said) is has_heat
    assert ('carburettor heat cold' in said) is has_heat


def test_gear_and_tail_are_called_by_those_that_have_them():
    assert 'three greens' in named(SORREL)
    assert 'three greens' not in named(MARRAM)
    assert 'tail up' in named(BRAMBLE)
    assert 'tail up' not in named(MARRAM)
    # with a gear that folds no lever is moved before the aircraft stands
    assert 'clear of the runway and stopped' in named(SORREL)
    assert 'clear of the runway and stopped' not in named(MARRAM)
