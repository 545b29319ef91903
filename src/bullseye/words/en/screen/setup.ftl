setup-set-up-your-school = Set up your school
setup-one-time-code-printed-in = One-time code, printed in the terminal where Bullseye was started
setup-name-of-the-school = Name of the school
setup-your-name-you-become-chief = Your name (you become chief instructor)
setup-add-the-made-up-example = Add the made-up example aircraft and fields to try it with
setup-make-the-school = Make the school
