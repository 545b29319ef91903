"""Who belongs to a school: accounts, sign-ins, second factors, and the book of who did what."""
