### What the core says of basis: one group a subject.

## Performance tables of the handbook, read between their values and never beyond.

tables-above = { $what } { $value } is above the table, which ends at { $last }

## Sentences one after the other.

joined = { $first } { $second }
