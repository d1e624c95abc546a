/** A record of whatever kind: which fields it has the schema says, and not the page. */
export type AnyRecord = Record<string, unknown>;
