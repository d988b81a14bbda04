/** How long ago something was, in a few words. */
const STEPS: readonly (readonly [number, Intl.RelativeTimeFormatUnit])[] = [
  [60, "second"],
  [60, "minute"],
  [24, "hour"],
  [30, "day"],
  [12, "month"],
];
const WORDS = new Intl.RelativeTimeFormat("en", { numeric: "auto" });

export function ago(when: string, now = Date.now()): string {
  let amount = (new Date(when).getTime() - now) / 1000;
  if (amount > -45) return "just now";
  for (const [size, unit] of STEPS) {
    if (Math.abs(amount) < size) return WORDS.format(Math.round(amount), unit);
    amount /= size;
  }
  return WORDS.format(Math.round(amount), "year");
}
