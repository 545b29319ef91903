join-invitations-work-once-and-for = Einladungen gelten einmal und eine Woche lang. Bitten Sie Ihren Fluglehrer um eine neue.
join-welcome = Willkommen, {$name}
join-you-join-as-choose-how = Sie treten {$school} bei, als {$role}. Wählen Sie, wie Sie sich anmelden.
join-join = Beitreten
