/** Colours and widths of the surface; the same names as in the theme. */
export const LOOK = {
  paper: "#F7F4EC",
  grid: "#DAD3C1",
  axis: "#D0C8B4",
  ink: "#1B2A49",
  pencil: "#8F9397",
  place: "#B2442B",
  snap: "#1D7668",
  selected: "#D7971A",
  quiet: "#6B6A66",
  faint: "#CFCBC0",
  working: "#7C7F86",
} as const;

export const FONT = '12px "IBM Plex Sans Variable", sans-serif';
