/** What the catalogue or the profile takes, what is there, and the sentence of both. */
export interface FoundWords {
  readonly takes: string;
  readonly has: string;
  readonly reason: string;
}
