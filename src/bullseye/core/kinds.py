"""The closed lists of the trade that more than one module chooses from."""

from typing import Literal

LandingKind = Literal['normal', 'short_field', 'power_off']
StandardCode = Literal['us_private', 'us_commercial']
Surface = Literal['asphalt', 'concrete', 'grass', 'gravel']
Outcome = Literal['full_stop', 'touch_and_go', 'stop_and_go', 'go_around']
DriftSide = Literal['left', 'none', 'right']
GustAllowance = Literal['half', 'none']
RoundoutOrder = Literal['halve_shift_idle_flare', 'idle_shift_flare', 'gradual_from_threshold']
PatternSide = Literal['left', 'right']
TakeoffKind = Literal['normal', 'crosswind', 'short_field', 'soft_field']
CorrectionSet = Literal['common', 'uk_caa']
LiftOff = Literal['rotate', 'fly_off']
FirstTurn = Literal['tpa_less_300', '500_agl']
PowerOffShape = Literal['squared', 'arc']
