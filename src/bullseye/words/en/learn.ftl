### What the core says of learn: one group a subject.

## From the laps of a sortie to the next one: what they teach, where to aim, and why the last landed where it did.

advice-none = No aim point is good.
advice-first = Aim at { $aim }, { $before }; no lap flown yet.
advice-again = Aim at { $aim } again.
advice-farther = Aim at { $aim }, { $moved } farther in ({ $stripes }).
advice-shorter = Aim at { $aim }, { $moved } shorter ({ $stripes }).
