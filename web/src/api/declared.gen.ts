/** What the core declares, written by `kentrograph declared`: nothing is changed here by hand. */
import type { Declared } from "./types";

export const DECLARED: Declared = {
  "kinds": [
    {
      "word": "point",
      "title": "Point",
      "group": "place",
      "explanation": "a point: coordinates, or any two facts that determine it",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "line",
      "title": "Line",
      "group": "place",
      "explanation": "a line: from here to there, or through, along, beside, touching",
      "drag": {
        "start": "from",
        "end": "to",
        "figure": "square",
        "behind": 0
      },
      "held": {
        "words": [
          "length",
          "direction"
        ],
        "behind": ""
      },
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "circle",
      "title": "Circle",
      "group": "place",
      "explanation": "a circle: centre and radius, or whatever else is known",
      "drag": {
        "start": "through",
        "end": "through",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "arc",
      "title": "Arc",
      "group": "place",
      "explanation": "an arc: its ends and a third fact, or centre, start and sweep",
      "drag": {
        "start": "from",
        "end": "to",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "path",
      "title": "Path",
      "group": "place",
      "explanation": "a chain of lines and arcs, from place to place",
      "drag": {
        "start": "from",
        "end": "to",
        "figure": "",
        "behind": 0
      },
      "held": {
        "words": [],
        "behind": "at"
      },
      "endless": true,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "rectangle",
      "title": "Rectangle",
      "group": "place",
      "explanation": "a rectangle: a corner and a size, or two corners",
      "drag": {
        "start": "from",
        "end": "to",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "polygon",
      "title": "Polygon",
      "group": "place",
      "explanation": "a regular polygon",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "ellipse",
      "title": "Ellipse",
      "group": "place",
      "explanation": "an ellipse, or part of one",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "ink",
      "title": "Ink",
      "group": "shape",
      "explanation": "ink a figure over, or a stretch of it",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": true,
      "takes": "none",
      "rare": false
    },
    {
      "word": "trim",
      "title": "Trim",
      "group": "shape",
      "explanation": "take a stretch of a figure away",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": true,
      "takes": "none",
      "rare": false
    },
    {
      "word": "keep",
      "title": "Keep",
      "group": "shape",
      "explanation": "keep only a stretch of a figure",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "split",
      "title": "Split",
      "group": "shape",
      "explanation": "cut a figure at places",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "extend",
      "title": "Extend",
      "group": "shape",
      "explanation": "bring an end further, or back",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "whole",
      "title": "Whole",
      "group": "shape",
      "explanation": "an arc, or a part of an ellipse, made whole again",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "join",
      "title": "Join",
      "group": "shape",
      "explanation": "one outline of pieces that meet end to end",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "apart",
      "title": "Apart",
      "group": "shape",
      "explanation": "the pieces of an outline as figures of their own",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "fillet",
      "title": "Fillet",
      "group": "shape",
      "explanation": "an arc that rounds a corner",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "chamfer",
      "title": "Chamfer",
      "group": "shape",
      "explanation": "a line that cuts a corner off",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "offset",
      "title": "Offset",
      "group": "shape",
      "explanation": "a figure beside another, at a distance",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "outline",
      "title": "Outline",
      "group": "shape",
      "explanation": "the closed way round a place, traced along what is drawn",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "balance",
      "title": "Balance",
      "group": "shape",
      "explanation": "a traverse made to close, its error shared out",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "move",
      "title": "Move",
      "group": "carry",
      "explanation": "move by two places, or by so far across and up",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "copy",
      "title": "Copy",
      "group": "carry",
      "explanation": "copy by two places, or by so far across and up",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "turn",
      "title": "Turn",
      "group": "carry",
      "explanation": "turn about a place, by an angle or from one direction to another",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "mirror",
      "title": "Mirror",
      "group": "carry",
      "explanation": "mirror in a line, or in two places",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "scale",
      "title": "Scale",
      "group": "carry",
      "explanation": "scale about a place, by a factor or from one distance to another",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "fit",
      "title": "Fit",
      "group": "carry",
      "explanation": "move and turn, by two places onto two others",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "repeat",
      "title": "Repeat",
      "group": "carry",
      "explanation": "copies about a place, in rows, or along a figure",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "group",
      "title": "Group",
      "group": "carry",
      "explanation": "a name for several figures together",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "place",
      "title": "Place",
      "group": "carry",
      "explanation": "a symbol at a place",
      "drag": {
        "start": "at",
        "end": "",
        "figure": "",
        "behind": 1
      },
      "held": {
        "words": [
          "turned"
        ],
        "behind": ""
      },
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "pen",
      "title": "Pen",
      "group": "carry",
      "explanation": "another pen for figures that are there",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "hide",
      "title": "Hide",
      "group": "carry",
      "explanation": "keep figures, or all that a pen draws, out of sight",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "show",
      "title": "Show",
      "group": "carry",
      "explanation": "bring back to sight what was hidden",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "many",
      "rare": false
    },
    {
      "word": "dimension",
      "title": "Dimension",
      "group": "paper",
      "explanation": "a measured value as it stands on the drawing",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "note",
      "title": "Note",
      "group": "paper",
      "explanation": "words on the drawing, with a line to what they are about",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "axes",
      "title": "Axes",
      "group": "paper",
      "explanation": "centre marks, and the circle on which the centres of a set lie",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "hatch",
      "title": "Hatch",
      "group": "paper",
      "explanation": "fill what is closed with lines: it is cut through",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "detail",
      "title": "Detail",
      "group": "paper",
      "explanation": "a circle around what is shown larger elsewhere on the sheet",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "table",
      "title": "Table",
      "group": "paper",
      "explanation": "a setting-out table: places with coordinates from a corner and a direction",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "schedule",
      "title": "Schedule",
      "group": "paper",
      "explanation": "rows of words on a sheet: readings, revisions, parts, general notes",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "sheet",
      "title": "Sheet",
      "group": "paper",
      "explanation": "a sheet of paper with its title block",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "view",
      "title": "View",
      "group": "paper",
      "explanation": "the drawing on a sheet, or figures of it, or a detail, at a scale",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "read",
      "title": "Anything",
      "group": "read",
      "explanation": "whatever lies under the pointer",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "measure distance",
      "title": "Distance",
      "group": "read",
      "explanation": "between two places, or the shortest between two figures",
      "drag": {
        "start": "",
        "end": "",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "measure direction",
      "title": "Direction",
      "group": "read",
      "explanation": "from one place to another",
      "drag": {
        "start": "",
        "end": "",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "measure angle",
      "title": "Angle",
      "group": "read",
      "explanation": "between two lines, or at the middle one of three places",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    },
    {
      "word": "measure length",
      "title": "Length",
      "group": "read",
      "explanation": "of a line, an arc or an outline",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "measure radius",
      "title": "Radius",
      "group": "read",
      "explanation": "of a circle or an arc",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "measure area",
      "title": "Area",
      "group": "read",
      "explanation": "of what is closed, `less` its holes",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": false
    },
    {
      "word": "measure diameter",
      "title": "Diameter",
      "group": "read",
      "explanation": "of a circle or an arc",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": true
    },
    {
      "word": "measure across",
      "title": "Across",
      "group": "read",
      "explanation": "how far across one place lies from another, along the datum",
      "drag": {
        "start": "",
        "end": "",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": true
    },
    {
      "word": "measure up",
      "title": "Up",
      "group": "read",
      "explanation": "how far up one place lies from another",
      "drag": {
        "start": "",
        "end": "",
        "figure": "",
        "behind": 0
      },
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": true
    },
    {
      "word": "measure moments",
      "title": "Moments",
      "group": "read",
      "explanation": "second moments of area about the area centre, `less` those of holes",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": true
    },
    {
      "word": "measure box",
      "title": "Box",
      "group": "read",
      "explanation": "width and height of all that is named, along the datum",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": true
    },
    {
      "word": "measure count",
      "title": "Count",
      "group": "read",
      "explanation": "how many figures of the same kind and size there are; of a set, how many it has",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": true
    },
    {
      "word": "measure closing",
      "title": "Closing",
      "group": "read",
      "explanation": "by how much a path walked leg by leg misses its beginning",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "one",
      "rare": true
    },
    {
      "word": "measure gap",
      "title": "Touch",
      "group": "read",
      "explanation": "whether two figures touch, miss or cross, and by how much",
      "drag": null,
      "held": null,
      "endless": false,
      "brush": false,
      "takes": "none",
      "rare": false
    }
  ],
  "pens": [
    {
      "word": "pencil",
      "explanation": "construction, which does not print"
    },
    {
      "word": "ink",
      "explanation": "visible edges: continuous, wide"
    },
    {
      "word": "fine",
      "explanation": "continuous, narrow"
    },
    {
      "word": "hidden",
      "explanation": "hidden edges: dashed, narrow"
    },
    {
      "word": "axis",
      "explanation": "centre lines and axes: long dashed dotted, narrow"
    }
  ],
  "places": [
    {
      "key": "point",
      "word": "point",
      "explanation": "a point mark",
      "on": true
    },
    {
      "key": "end",
      "word": "end",
      "explanation": "an end or a corner",
      "on": true
    },
    {
      "key": "centre",
      "word": "centre",
      "explanation": "the centre of a round figure",
      "on": true
    },
    {
      "key": "crossing",
      "word": "crossing",
      "explanation": "where two figures cross or touch",
      "on": true
    },
    {
      "key": "foot",
      "word": "foot",
      "explanation": "foot of the perpendicular from the last place",
      "on": true
    },
    {
      "key": "touch",
      "word": "touch",
      "explanation": "touching point of a tangent from the last place",
      "on": true
    },
    {
      "key": "area",
      "word": "area middle",
      "explanation": "area centre of an outline, and the centre of its box",
      "on": true
    },
    {
      "key": "middle",
      "word": "middle",
      "explanation": "halfway along a line or an arc",
      "on": true
    },
    {
      "key": "quarter",
      "word": "quarter",
      "explanation": "the four quarter points of a circle",
      "on": true
    },
    {
      "key": "part",
      "word": "part",
      "explanation": "equal parts along a figure",
      "on": false
    },
    {
      "key": "onward",
      "word": "onward",
      "explanation": "where two figures would cross if they were longer",
      "on": true
    },
    {
      "key": "sights",
      "word": "sights",
      "explanation": "where two sight lines cross, or one crosses a figure",
      "on": true
    },
    {
      "key": "past",
      "word": "past",
      "explanation": "on from the end of a line or an arc passed over",
      "on": true
    },
    {
      "key": "level",
      "word": "level",
      "explanation": "level or plumb with a place passed over",
      "on": true
    },
    {
      "key": "turn",
      "word": "turn",
      "explanation": "at the direction steps from a place passed over",
      "on": true
    },
    {
      "key": "beside",
      "word": "beside",
      "explanation": "parallel or square to a line passed over",
      "on": true
    },
    {
      "key": "step",
      "word": "step",
      "explanation": "at the distance steps from the nearer end of a figure",
      "on": true
    },
    {
      "key": "nearest",
      "word": "nearest",
      "explanation": "the nearest place on a figure",
      "on": true
    }
  ]
};
