/** The largest file that is read, a schedule or a catalogue: checked before it is sent, when it arrives and when it is read. */
export const MAX_FILE_BYTES = 8 * 1024 * 1024;

/** The largest request that is taken: a file with what is written round it. A larger one is refused before it is read. */
export const MAX_REQUEST_BYTES = 9 * 1024 * 1024;

export const MAX_FILE_WORDS = `${MAX_FILE_BYTES / 1024 / 1024} MB`;
