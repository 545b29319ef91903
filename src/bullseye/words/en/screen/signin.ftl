signin-sign-in = Sign in
signin-demo-school = Demo school
signin-all-made-up-people-fields = All made up: people, fields and aircraft. Choose who you are.
signin-bullseye-is-a-training-aid = Bullseye is a training aid. The aircraft handbook, local rules and the instructor decide.
signin-this-is-bullseye-touchdown-model = This is Bullseye {$software}, touchdown model {$model}.
