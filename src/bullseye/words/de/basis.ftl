### Was der Kern über Grundlagen sagt.

## Leistungstabellen des Flughandbuchs, zwischen ihren Werten gelesen und nie darüber hinaus.

tables-above = { $what } { $value } liegt über der Tabelle, die bei { $last } endet

## Sätze hintereinander.

joined = { $first } { $second }

## Einheiten, wie sie hinter einer Zahl stehen.

unit-ft = ft
unit-nm = NM
unit-km = km
unit-kt = kt
unit-kias = KIAS
unit-kcas = KCAS
unit-fpm = ft/min
unit-s = s
unit-min = min
unit-lb = lb
unit-pct = %
unit-fps2 = ft/s²
