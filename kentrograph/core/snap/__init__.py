"""Places and stretches near the pointer, in words.

`candidates.take_at` collects what lies within reach: known places (kept by figure), crossings (found by plain sums in
`intersect.roughly`, worked out exactly only where they are offered), what is seen from the last place, places along figures,
sight lines. `scores` ranks: the distance in shares of the reach, plus how far each kind stands behind (one table, `kinds`).
Nothing is kept between two looks but what the book has in its caches, which can be dropped at any time.
"""
