/** The tag beside the pointer: what will be taken, in words, and the live numbers. Written straight to the page, not through React. */
import { point } from "../state/actions";
import type { Line } from "../api/types";
import { useInterface } from "../state/interface";

/** The kind that reads whatever lies under the pointer. */
export const READ = "read";
const MOST_READ = 5;

/** ``words`` is what pulling the handle under the pointer changes. */
export function showTag(
  tag: HTMLDivElement | null,
  line: Line,
  words: string | null,
  pixel: (at: readonly number[]) => readonly [number, number] | null,
): void {
  if (!tag) return;
  from = line.last && useInterface.getState().draft?.rows.length ? pixel(line.last) : null;
  const { draft, text, mend } = useInterface.getState();
  const rows: [string, string][] = [];
  const idle = isIdle(line);
  // A row that was opened and is pointed at says what it would be now.
  const pickedAgain = mend && line.row === "" ? line.picks[line.picked] : undefined;
  const handle = draft || text !== "" || line.carry ? null : words;
  if (handle !== null) {
    rows.push(["words", `pulling ${handle}`]);
    if (line.pull) {
      rows.push(["typed", line.pull.becomes]);
      if (line.pull.later !== "") rows.push(["live", line.pull.later]);
    } else if (line.problem) rows.push(["live", line.problem.message]);
  } else if (draft?.kind === READ && text === "") {
    // All that can be read there at once; the one in front is what a click keeps.
    line.picks.slice(0, MOST_READ).forEach((pick, n) => rows.push([n === line.picked ? "typed" : "live", pick]));
    if (line.picks.length > MOST_READ) rows.push(["live", `↑ ↓ ${line.picks.length - MOST_READ} more`]);
    if (line.picks.length === 0 && line.unfit === null) rows.push(["live", "nothing to read here"]);
  } else if (pickedAgain !== undefined) rows.push(["words", pickedAgain]);
  else if (line.tag && !mend && (draft ?? line.tag.kind !== "")) {
    const more = line.tag.more > 0 ? ` and ${line.tag.more} more` : "";
    const pick = line.picks[line.picked];
    if ((text.trim() === "" && !idle) || pick !== undefined) {
      rows.push(["words", (pick ?? line.tag.words) + more]);
      if (line.picks.length > 1)
        rows.push(["live", `↑ ↓ ${line.picks.length - 1} other ${line.picks.length === 2 ? "way" : "ways"}`]);
      else if (!pick && line.click?.do === "write") rows.push(["live", "click takes it"]);
    }
  }
  if (handle === null && !draft && text === "" && !line.carry)
    for (const row of line.tag?.told ?? []) rows.push(["live", row]);
  if (draft && draft.kind !== READ && line.reading && text.trim() === "") rows.push(["typed", line.reading.value]);
  if (line.brush && !handle) {
    const { words, why, entries } = line.brush;
    if (entries.length > 1) rows.push(["words", `${entries.length} stretches`]);
    else words.forEach((row, n) => rows.push([n === 0 ? "words" : "live", row]));
    if (why !== "") rows.push(["live", why]);
  }
  const { placing } = useInterface.getState();
  if (placing && line.tag) {
    const count = placing.figures.length;
    rows.splice(0, rows.length, ["words", `${count === 1 ? "1 figure" : `${count} figures`} at ${line.tag.words}`]);
    rows.push(["live", "click puts down, Esc leaves"]);
  }
  line.carry?.words.forEach((row, n) => rows.push([n === 0 ? "words" : "live", row]));
  if (line.unfit !== null) rows.push(["live", line.unfit]);
  if (draft && text.trim() !== "" && pickedAgain === undefined) {
    rows.push(["typed", line.value && line.value !== text.trim() ? `${text} = ${line.value}` : text]);
  }
  if (draft && line.live && !idle) {
    rows.push(["live", `${line.live.length} at ${line.live.direction}`]);
    rows.push(["live", `across ${line.live.across} · up ${line.live.up}`]);
  }
  tag.replaceChildren(
    ...rows.map(([kind, words]) => {
      const row = document.createElement("div");
      row.dataset.kind = kind;
      row.textContent = words;
      return row;
    }),
  );
  tag.dataset.special = String((line.tag?.kind ?? "") !== "");
  tag.dataset.shown = String(rows.length > 0 && (line.tag ?? line.brush ?? line.carry) !== null);
  // Other words may be longer: it must not run off the surface.
  placeTag(tag, ...placed);
  const pointed = line.tag?.figure ?? null;
  if (!line.carry && useInterface.getState().pointed !== pointed) point(pointed);
}

/** Whether a click states nothing, and a reason is given. */
export function isIdle(line: Line): boolean {
  return line.unfit !== null && line.picks.length === 0 && line.click === null;
}

let placed: readonly [number, number, number, number] = [0, 0, 0, 0];
/** The pixel that the figure being written comes from: the tag keeps off the way from there to the pointer. */
let from: readonly [number, number] | null = null;

/** Puts the tag beside the pointer: on the side where nothing is being drawn, if there is room. */
export function placeTag(tag: HTMLDivElement | null, x: number, y: number, width: number, height: number): void {
  if (!tag) return;
  placed = [x, y, width, height];
  const { offsetWidth: w, offsetHeight: h } = tag;
  const wantsRight = from === null || x >= from[0];
  const wantsBelow = from === null || y >= from[1] || Math.abs(y - from[1]) < SLACK;
  const right = wantsRight ? x + 18 + w < width : x - 14 - w < 0;
  const below = wantsBelow ? y + 18 + h < height : y - 12 - h < 0;
  tag.style.transform = `translate(${right ? x + 18 : x - 14 - w}px, ${below ? y + 16 : y - 12 - h}px)`;
}

const SLACK = 12;
