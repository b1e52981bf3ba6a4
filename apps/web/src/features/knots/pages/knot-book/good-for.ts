/** What each technique, closure and finish is good for, and what to know of it. Common practice, no source. */
export const GOOD_FOR: Readonly<Record<string, string>> = {
  'square-knot-sinnet':
    'Bands that wear well and lie flat, from fine silk to thick paracord. Tied always from the same side it winds into a spiral. The core carries the pull, the working cords the looks.',
  'knotted-floss':
    'Patterns: stripes, chevrons, letters, small pictures. Slow, since every strand is tied over its neighbours one by one, and hungry for thread.',
  'hitch-spiral':
    'A round cord with a ridge that winds round it. One strand shows at a time, so it is a quick way to show many colours.',
  plait:
    'The quickest way from cords to a band, and the one that takes the least of them. It stretches and gives a little, and comes undone where it is not held.',
  'petal-plait':
    'A light, showy round plait for the middle of a piece. The petals catch on things: better on a necklace than on a working hand.',
  'two-cord-knot':
    'One as a stopper or a mark between beads; many as a supple round chain of two cords, without a core.',
  'stopper-knot':
    'To keep a bead in its place or an end from slipping. The double and the triple barrel are thicker and hold where a plain overhand knot pulls through.',
  'end-knot':
    'A fine end of all cords, and a button that a loop goes over. It wants patience to draw tight evenly.',
  'own-knot': 'Whatever no list has. Its numbers are worked out from your drawing.',
  beads:
    'Stones and metal in a row, with or without knots between. Knots keep a dear row together when a cord breaks.',
  'alternating-beads':
    'A firm, jewelled band without knotting: two cords go through ring and bead by turns.',
  'beaded-plait':
    'A quick, soft band with a line of beads down its middle. Beads may not be much wider than a bundle.',
  'chain-cord':
    'Light, stretchy strings with small beads, often several side by side. It takes a lot of cord, and ravels from the end where it is not fastened off.',
  focal:
    'A bar or a pendant in the middle: it does not bend, so a piece with a long one has to be a little larger.',
  stone: 'A stone or a heart with one hole, caught so that it hangs flat.',
  'stopper-ring':
    'Thick cord, where a knot would be clumsy: the ring grips and can be pushed along.',
  plain: 'Cord that shows itself, and the stretch that a slider runs on.',
  loop: 'The eye that a clasp, a button or a knot goes into.',
  whipping:
    'To hold cords together where no knot is wanted, and to hide where one thing ends and another begins.',
  tail: 'Ends that are meant to be seen. They need a knot or a bead, or they fray.',
  'side-release-buckle':
    'Work bands of thick cord that are put on and off with one hand. It is the widest of all closures, and stiff.',
  'square-knot-slider':
    'Light bracelets that are to fit anybody: it opens over the hand and draws in. It loosens with time, and can be tied anew.',
  'coiled-slider': 'As a slider of square knots, rounder and firmer; harder to tie the first time.',
  'turks-head-slider': 'The finest slider: a woven ring. It wants a fine cord and patience.',
  'two-sliding-knots':
    'One cord and nothing else, as with a pendant. It needs a cord that grips itself: waxed cotton, leather, not bare silk.',
  'two-way-bead':
    'Quick, and gentle to the cord. The bead has to grip, so its hole has to be right.',
  'loop-and-button':
    'Bracelets that close firmly and need no metal clasp. The loop stretches a little, so it is made snug.',
  'loop-and-knot': 'Nothing but the cord itself: good where metal is not borne, and cheap.',
  lobster:
    'The clasp that hardly comes undone by itself. Small ones want good fingernails, or another pair of hands.',
  toggle:
    'Easy with one hand. It needs room to turn through, and a piece that is worn under some pull.',
  'hook-and-ring': 'Flat and quick; it stays shut as long as the piece pulls at it.',
  'cord-ends':
    'Cords that are too thick or too many to tie to a clasp. Glue holds only what is clean and fits.',
  'glue-in-clasp':
    'Thick leather and paracord: neat and flat, and for good, since glue cannot be undone.',
  'breakaway-clasp':
    'Necklaces, lanyards, and whatever a child wears: it comes apart under a pull. It is no proof of safety: go by what its maker rates it for.',
  'tie-ends': 'The first piece, and the festival one: it fits everybody and needs nothing.',
  lariat: 'A long necklace that is worn in several ways. Its ends are what is looked at.',
  singe:
    'Nylon and polyester. Quick, and lasting: the end becomes a bead that does not pull back. Never for cotton, hemp, silk or leather.',
  glue: 'Every fibre. A drop that soaks in; it needs its time before the piece is worn.',
  tuck: 'Pieces that may be untied again, and skin that bears neither glue nor a hard end.',
};
