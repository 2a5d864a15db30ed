/** House rules on which practitioners disagree; those that a shop has said nothing of go by `SCHOOLS`. */
export interface Schools {
  /** Copper before a push-fit. */
  readonly pushFitClean: 'wipe' | 'abrasive'
  /** The stiffener of a push-fit, on copper. */
  readonly stiffener: 'leave' | 'pull'
  /** A push-fit that was taken off once. */
  readonly pushFitReuse: 'temporary' | 'few' | 'never'
  readonly tapeTurns: 'three' | 'five' | 'seven'
  /** Solder, before plastic or rubber comes near it. */
  readonly cooling: 'hand' | 'ten-minutes'
  /** How long a closed wall is meant to stay shut. */
  readonly wallYears: '25' | '45' | '70'
  /** New copper for drinking water. */
  readonly copperType: 'L' | 'M'
  /** A length of pipe with one pinhole in it. */
  readonly oneHole: 'repair' | 'replace'
  /** Soldered joints among new parts: made up beforehand, or one after the other at the place. */
  readonly solderAt: 'bench' | 'place'
  /** Nail plates over holes in studs: where the code wants them, or over centred holes too. */
  readonly plates: 'near' | 'always'
  /** Of the times that cans and schedules give for cement, the longest or the shortest. */
  readonly cure: 'long' | 'short'
  /** A closet flange that is twisted into its pipe. */
  readonly twistIn: 'refuse' | 'accept'
  /** A rubber coupling without a shield, above ground. */
  readonly flexibleAbove: 'shielded' | 'accept'
  /** A trap without a vent. */
  readonly badVent: 'valve' | 'wall'
}

/**
 * The school that is followed by default, and why: a scratch is a leak path under rubber; the stiffener is left unless the
 * maker's sheet says otherwise; a push-fit that was taken off once serves for a time; five turns fill a worn thread and
 * split no new one; copper is cool when a bare hand holds it; a wall stays shut for 45 years; type L for drinking water;
 * one hole is mended, several mean that the length is done; what can be carried in
 * is soldered at the bench; a nail plate goes where a nail may reach; cement is left alone as long as any can asks; a
 * flange is solid, or has a ring over it, since twisted ones are refused by some authorities; rubber above ground has a
 * shield, which keeps it from sagging; where no vent is, a valve that admits air, as long as it stays within reach. Common practice.
 */
export const SCHOOLS: Schools = {
  pushFitClean: 'wipe',
  stiffener: 'leave',
  pushFitReuse: 'temporary',
  tapeTurns: 'five',
  cooling: 'hand',
  wallYears: '45',
  copperType: 'L',
  oneHole: 'repair',
  solderAt: 'bench',
  plates: 'near',
  cure: 'long',
  twistIn: 'refuse',
  flexibleAbove: 'shielded',
  badVent: 'valve',
}

/** What a shop holds to in one question. */
export function schoolOf<K extends keyof Schools>(rules: Partial<Schools>, question: K): Schools[K] {
  return rules[question] ?? SCHOOLS[question]
}
