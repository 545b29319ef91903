### What the core says of basis: one group a subject.

## Performance tables of the handbook, read between their values and never beyond.

tables-above = { $what } { $value } is above the table, which ends at { $last }

## Sentences one after the other.

joined = { $first } { $second }

## Units, as they stand behind a number.

unit-ft = ft
unit-nm = nm
unit-km = km
unit-kt = kt
unit-kias = KIAS
unit-kcas = KCAS
unit-fpm = fpm
unit-s = s
unit-min = min
unit-lb = lb
unit-pct = %
unit-fps2 = ft/s²
