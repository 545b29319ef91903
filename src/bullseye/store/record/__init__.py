"""The student over months: syllabus, readiness, sign-offs, homework, logbook, and the school's view of it."""
