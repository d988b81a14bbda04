/** The two looks: drawing paper and blueprint. The surface reads `LOOK` as it draws, the pages by the theme; both from here. */
import { usePreferences } from "../state/preferences";

export type LookName = "paper" | "blueprint";

const PAPER = {
  paper: "#F7F4EC",
  desk: "#E7E1D2",
  panel: "#FCFAF5",
  rule: "#E2DCCD",
  lit: "#FBF0DA",
  label: "#7A6A3C",
  wrong: "#F6DCD3",
  grid: "#DAD3C1",
  axis: "#D0C8B4",
  ink: "#1B2A49",
  pressed: "#2C3E66",
  pencil: "#8F9397",
  place: "#B2442B",
  snap: "#1D7668",
  selected: "#D7971A",
  quiet: "#5F6068",
  faint: "#CFCBC0",
  working: "#7C7F86",
  marked: "#A9C4DC",
  other: "#6B4E93",
};

/** Pale lines on deep blue. */
const BLUEPRINT: typeof PAPER = {
  paper: "#15325A",
  desk: "#0F2746",
  panel: "#1B3B68",
  rule: "#2D5080",
  lit: "#284A78",
  label: "#DCCF9F",
  wrong: "#5A3A4C",
  grid: "#28497A",
  axis: "#426A9F",
  ink: "#EAF2FC",
  pressed: "#C9DAF0",
  pencil: "#86A3C8",
  place: "#FFB8A3",
  snap: "#83E3CF",
  selected: "#F2BF57",
  quiet: "#BCCDE3",
  faint: "#3D608F",
  working: "#AFC1D9",
  marked: "#5F86B8",
  other: "#C9B4F0",
};

export const LOOKS: Readonly<Record<LookName, typeof PAPER>> = { paper: PAPER, blueprint: BLUEPRINT };

/** The look there is now. */
export const LOOK: typeof PAPER = { ...PAPER };

function take(name: LookName): void {
  Object.assign(LOOK, LOOKS[name]);
  if (typeof document !== "undefined") document.documentElement.dataset.look = name;
}

take(usePreferences.getState().look);
usePreferences.subscribe((now, before) => {
  if (now.look !== before.look) take(now.look);
});

/** The letters of the drawing, as they are on paper. */
export const LETTERING = '"IBM Plex Sans Variable", sans-serif';
export const FONT = '12px "IBM Plex Sans Variable", sans-serif';
