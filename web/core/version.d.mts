/** A name for the core as it is now. */
export function version(): string;
