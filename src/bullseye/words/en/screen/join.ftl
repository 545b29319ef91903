join-invitations-work-once-and-for = Invitations work once and for a week. Ask your instructor for a new one.
join-welcome = Welcome, {$name}
join-you-join-as-choose-how = You join {$school} as {$role}. Choose how you sign in.
join-join = Join
