/** Whether somebody is still typing: what was refused comes back once they have had time to see that it was. */

/**
 * Milliseconds without a key after which a typist has seen what is there. Until then they are at the next entry, with their
 * eyes on the paper: it was not meant to take the place of the one before.
 */
export const BREATH = 450;
const LOOK = 50;

/** Ends once what is typed, as `state` tells it, has stayed the same for a breath, or as soon as `over` says so. */
export async function breathes(state: () => string, over: () => boolean): Promise<void> {
  let last = state();
  for (let quiet = 0; quiet < BREATH && !over(); quiet += LOOK) {
    await new Promise((next) => setTimeout(next, LOOK));
    const now = state();
    if (now !== last) quiet = -LOOK;
    last = now;
  }
}
