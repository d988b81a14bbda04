/** A small true picture of a drawing, drawn by the same code as the surface. */
import { useEffect, useRef, useState } from "react";

import { pictureOf, Refusal } from "../api/client";
import type { Drawing, Picture } from "../api/types";
import { type Box, fitted } from "../surface/camera";
import { traceFigure } from "../surface/figures";
import { stroke } from "../surface/layers/figures";
import { usePreferences } from "../state/preferences";
import { LOOK } from "../surface/look";

const WIDTH = 268;
const HEIGHT = 168;
/** Among so many figures strokes are thin, so that they can be told apart. */
const MANY = 500;

export function Thumbnail({ drawing }: { drawing: Drawing }) {
  const { id, name, pictured } = drawing;
  const canvas = useRef<HTMLCanvasElement>(null);
  const look = usePreferences((p) => p.look);
  const [picture, setPicture] = useState<Picture | null>(null);
  useEffect(() => {
    if (pictured === null) return;
    let here = true;
    pictureOf(id, pictured).then(
      (found) => {
        if (here) setPicture(found);
      },
      (error: unknown) => {
        // Without its picture a drawing can still be opened; what is wrong the shelf itself says.
        if (!(error instanceof Refusal)) throw error;
      },
    );
    return () => {
      here = false;
    };
  }, [id, pictured]);
  useEffect(() => {
    const g = canvas.current?.getContext("2d");
    if (!g) return;
    g.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
    g.clearRect(0, 0, WIDTH, HEIGHT);
    if (!picture?.box) return;
    // The view's own margin is meant for the table; here a narrower one will do.
    const wide = fitted(
      { x: 0, y: 0, scale: 1, width: WIDTH + 60, height: HEIGHT + 60, turn: 0 },
      picture.box as unknown as Box,
    );
    const camera = { ...wide, width: WIDTH, height: HEIGHT };
    const pencil = new Path2D();
    const ink = new Path2D();
    for (const figure of picture.figures) traceFigure(figure.pen === "pencil" ? pencil : ink, camera, figure);
    g.lineJoin = "round";
    const thin = picture.figures.length > MANY;
    stroke(g, pencil, LOOK.pencil, thin ? 0.4 : 0.75);
    stroke(g, ink, LOOK.ink, thin ? 0.4 : 1.1);
  }, [picture, look]);
  return (
    <canvas
      ref={canvas}
      width={WIDTH * devicePixelRatio}
      height={HEIGHT * devicePixelRatio}
      style={{ width: "100%", aspectRatio: `${WIDTH} / ${HEIGHT}`, display: "block" }}
      role="img"
      aria-label={picture?.box === null ? `${name} is empty` : `Picture of ${name}`}
    />
  );
}
