/** Tells where one is on the drawing while somebody else is at it, a few times a second at most, and only what has changed. */
import type { Where } from "../api/types";
import { useOthers } from "../state/others";
import { usePreferences } from "../state/preferences";

const PACE = 250;
/** As many selected figures as are shown to others. */
export const MOST_SHOWN = 20;
const NOWHERE: Where = { at: null, selected: [], mending: null };

export class Whereabouts {
  private timer = 0;
  private told = JSON.stringify(NOWHERE);
  private readonly stop: () => void;

  constructor(
    private readonly where: () => Where,
    private readonly send: (where: Where) => boolean,
  ) {
    this.stop = useOthers.subscribe(() => this.attend());
  }

  /** The server has nothing of it any more: it came back, or this table did. */
  forget(): void {
    this.told = JSON.stringify(NOWHERE);
  }

  close(): void {
    this.stop();
    window.clearInterval(this.timer);
  }

  private attend(): void {
    const company = useOthers.getState().others.length > 0;
    if (company && this.timer === 0) this.timer = window.setInterval(() => this.tell(), PACE);
    else if (!company) {
      window.clearInterval(this.timer);
      this.timer = 0;
    }
  }

  private tell(): void {
    const where = usePreferences.getState().together ? this.where() : NOWHERE;
    const now = JSON.stringify(where);
    if (now !== this.told && this.send(where)) this.told = now;
  }
}
