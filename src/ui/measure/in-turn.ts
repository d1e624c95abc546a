/** Runs what it is given one after the other, in the order in which it was given; one that fails holds up none of those after it. */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const mine = last.then(work);
    last = mine.catch(() => undefined);
    return mine;
  };
}
