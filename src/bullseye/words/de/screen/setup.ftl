setup-set-up-your-school = Ihre Flugschule einrichten
setup-one-time-code-printed-in = Einmalcode, ausgegeben in dem Terminal, in dem Bullseye gestartet wurde
setup-name-of-the-school = Name der Flugschule
setup-your-name-you-become-chief = Ihr Name (Sie werden Ausbildungsleiter)
setup-add-the-made-up-example = Die erfundenen Beispielflugzeuge und -plätze zum Ausprobieren hinzufügen
setup-make-the-school = Flugschule anlegen
