reset-it-works-once-and-for = Er gilt einmal und zwei Tage lang. Bitten Sie Ihren Ausbildungsleiter um einen neuen.
reset-a-new-password-for = Ein neues Passwort für {$name}
reset-every-device-that-you-were = {$school}. Jedes Gerät, auf dem Sie angemeldet waren, wird abgemeldet.
reset-password-10-characters-or-more = Passwort, 10 Zeichen oder mehr
reset-set-it-and-sign-in = Festlegen und anmelden
