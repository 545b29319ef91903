reset-it-works-once-and-for = It works once and for two days. Ask your chief instructor for a new one.
reset-a-new-password-for = A new password for {$name}
reset-every-device-that-you-were = {$school}. Every device that you were signed in on is signed out.
reset-password-10-characters-or-more = Password, 10 characters or more
reset-set-it-and-sign-in = Set it and sign in
