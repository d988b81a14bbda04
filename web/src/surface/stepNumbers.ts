/** Numbers as they are typed for steps: the value, or a sentence that says what is wrong and what would do. */

export function numberIn(typed: string, least: number, most: number, whole: boolean): number | string {
  const value = typed.trim() === "" ? Number.NaN : Number(typed.replace(",", "."));
  const range = most >= 1e9 ? `${least} or more` : `${least} to ${most}`;
  if (!Number.isFinite(value)) return `Not a number: ${range}.`;
  if (value < least || value > most) return `${value} will not do: ${range}.`;
  if (whole && !Number.isInteger(value)) return `${value} is not whole: ${Math.round(value)}, say.`;
  return value;
}

export function directionsIn(typed: string): number[] | string {
  const words = typed.split(/[,; ]+/).filter((word) => word !== "");
  const wrong = words.find((word) => !Number.isFinite(Number(word)) || Math.abs(Number(word)) > 360);
  return wrong === undefined ? words.map(Number) : `${wrong} is no direction: degrees up to 360, such as 22.5.`;
}
