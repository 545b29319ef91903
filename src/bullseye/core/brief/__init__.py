"""Before the lap: a request and the answer to it, runways ranked, laps planned, the card, answers to take along."""
