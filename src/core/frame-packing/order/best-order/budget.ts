/** Counts what is looked at, so that a search ends the same on every machine. */
export class Budget {
  constructor(private left: number) {}

  /** False when it is used up. */
  spend(): boolean {
    this.left -= 1;
    return this.left >= 0;
  }
}
