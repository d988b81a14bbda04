"""Whether what is drawn is right: readings against what they should be, and what almost meets, almost touches or lies twice.

`loose_ends` compares each figure with those whose boxes come near, and keeps what it finds by the figures that it is about.
After an edit it takes out and looks at what that touched, in the one list that stays in order. Of two figures the one that
was drawn earlier is always the first, so that a sentence does not hang on the order in which they were looked at.

What would mend a finding is *tried*: `desk.settling` makes the edit that a hand would make, evaluates the book with it, and
offers it only where the finding goes, no other comes around what changed, and nothing waits.
"""
