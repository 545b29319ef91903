"""How a landing goes: glide path, approach speed, roundout and hold-off, the forecast, ground roll, crosswind.

Equations from an approach to its touchdown, each told in docs/model.md. What to advise a pilot belongs in ``brief``.
"""
