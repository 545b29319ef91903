### Was der Kern über das Lernen sagt.

## Von den Runden eines Flugs zur nächsten: was sie lehren und wohin zu zielen ist.

advice-none = Kein Zielpunkt ist gut.
advice-first = Zielen Sie auf { $aim }, { $before }; noch keine Runde geflogen.
advice-again = Zielen Sie wieder auf { $aim }.
advice-farther = Zielen Sie auf { $aim }, { $moved } weiter hinten ({ $stripes }).
advice-shorter = Zielen Sie auf { $aim }, { $moved } kürzer ({ $stripes }).
