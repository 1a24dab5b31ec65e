/** The show as it is now; ids of versions begin at 1. */
export const NOW = 0;

/** A place on the line. */
export interface Dot {
  id: number;
  name: string;
  /** Empty for now. */
  madeAt: string;
  words: string;
  /** Whether the show file holds it. */
  inFile: boolean;
}

/**
 * What is compared with what: one that is pressed with the show as it is now, two with each other, the older first.
 *
 * @param line ids of all on the line, the oldest first, the show as it is now last
 * @param pressed those that are pressed; what is gone does not count
 * @return older is null when nothing is to be compared
 */
export function chosenTwo(line: number[], pressed: number[]): { older: number | null; newer: number } {
  const there = line.filter((id) => pressed.includes(id));
  const versions = there.filter((id) => id !== NOW);
  if (versions.length === 0) return { older: null, newer: NOW };
  return { older: versions[0]!, newer: versions[1] ?? NOW };
}
