signin-sign-in = Anmelden
signin-demo-school = Beispielschule
signin-all-made-up-people-fields = Alles erfunden: Personen, Flugplätze und Flugzeuge. Wählen Sie, wer Sie sind.
signin-bullseye-is-a-training-aid = Bullseye ist eine Ausbildungshilfe. Flughandbuch, örtliche Regeln und Fluglehrer entscheiden.
signin-this-is-bullseye-touchdown-model = Dies ist Bullseye {$software}, Aufsetzmodell {$model}.
