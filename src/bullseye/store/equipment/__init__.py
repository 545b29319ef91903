"""What a school flies with and by, and the versions that its laps were flown by."""
