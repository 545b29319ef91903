kneeboard-aim-spot-go-around = Zielpunkt, Aufsetzpunkt, Durchstarten
kneeboard-speeds = Geschwindigkeiten
kneeboard-gates-above-sea-level = Tore, über dem Meeresspiegel
kneeboard-legs-heading-speed-flap-time = Teile: Steuerkurs, Geschwindigkeit, Klappen, Zeit
kneeboard-back-to-the-lap-plan = Zurück zum Rundenplan
kneeboard-print = Drucken
kneeboard-watch = Darauf achten
