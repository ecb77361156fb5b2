/**
 * A clock that counts how often it is asked instead of telling the time, so that a search ends after so many steps on any machine.
 * Milliseconds, as a search's clock is.
 */
export function stepClock(seconds: number, steps: number): () => number {
  let asked = 0;
  return () => {
    asked += 1;
    return (asked * seconds * 1000) / steps;
  };
}
