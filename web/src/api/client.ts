/** HTTP calls of the shelf, typed by the server's schema. */
import createClient from "openapi-fetch";

import type { paths } from "./schema.gen";
import type {
  Backing,
  Cause,
  Copied,
  DimensionCheck,
  Drawing,
  Field,
  Figure,
  FigureValue,
  Groups,
  Help,
  Loose,
  Picture,
  Placing,
  Pointer,
  PointTable,
  ShelfPage,
  Sheet,
  Way,
  Working,
} from "./types";

export const http = createClient<paths>({ baseUrl: "/" });

/** What the server said was wrong, or that it did not answer. */
export class Refusal extends Error {}

export function messageOf(error: unknown): string {
  if (typeof error === "object" && error !== null && "message" in error && typeof error.message === "string") {
    return error.message;
  }
  return "The server does not answer; nothing was changed.";
}

export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const result = await call.catch((error: unknown) => {
    throw new Refusal(messageOf(error instanceof TypeError ? undefined : error));
  });
  if (!result.response.ok) throw new Refusal(messageOf(result.error));
  return result.data as T;
}

const at = (id: string) => ({ params: { path: { id } } });
const ofStep = (id: string, step: string) => ({ params: { path: { id, step } } });

export const help = (): Promise<Help> => answer(http.GET("/api/help"));
export const helpPicture = (name: string): string => `/api/help/pictures/${encodeURIComponent(name)}`;
type ShelfAsked = NonNullable<paths["/api/drawings"]["get"]["parameters"]["query"]>;
/** A page of the shelf. */
export const listDrawings = (query: ShelfAsked): Promise<ShelfPage> =>
  answer(http.GET("/api/drawings", { params: { query } }));
/** The picture of a drawing at a revision; the browser keeps it. */
export const pictureOf = (id: string, of: number): Promise<Picture> =>
  answer(http.GET("/api/drawings/{id}/picture", { params: { path: { id }, query: { of } } }));
export const createDrawing = (name: string, text = ""): Promise<Drawing> =>
  answer(http.POST("/api/drawings", { body: { name, text } }));
export const renameDrawing = (id: string, name: string): Promise<Drawing> =>
  answer(http.PATCH("/api/drawings/{id}", { ...at(id), body: { name } }));
export const duplicateDrawing = (id: string): Promise<Drawing> =>
  answer(http.POST("/api/drawings/{id}/duplicate", at(id)));
export const deleteDrawing = (id: string): Promise<unknown> => answer(http.DELETE("/api/drawings/{id}", at(id)));
export const workingOf = (id: string, step: string): Promise<Working> =>
  answer(http.GET("/api/drawings/{id}/working/{step}", ofStep(id, step)));
/** What a verb works on, as it stands before it. */
export const beforeOf = (id: string, step: string): Promise<Figure[]> =>
  answer(http.GET("/api/drawings/{id}/before/{step}", ofStep(id, step)));
export const valuesOf = (id: string, step: string): Promise<FigureValue[]> =>
  answer(http.GET("/api/drawings/{id}/values/{step}", ofStep(id, step)));
export const waysToState = (id: string, step: string, word: string, typed: string): Promise<Way[]> =>
  answer(http.GET("/api/drawings/{id}/ways/{step}", { params: { path: { id, step }, query: { word, typed } } }));
/** Where no limit is given, the usual one holds. */
export const looseEnds = (id: string, limit?: number): Promise<Loose> =>
  answer(http.GET("/api/drawings/{id}/loose", { params: { path: { id }, query: { limit: limit ?? null } } }));
export const causesOf = (id: string, step: string): Promise<Cause[]> =>
  answer(http.GET("/api/drawings/{id}/causes/{step}", ofStep(id, step)));
export const checkReport = (id: string, form: "html" | "csv" | "pdf", limit?: number): string =>
  `/api/drawings/${id}/check.${form}${limit === undefined ? "" : `?limit=${limit}`}`;
export const tablesOf = (id: string): Promise<PointTable[]> => answer(http.GET("/api/drawings/{id}/tables", at(id)));
export const dimensionCheck = (id: string): Promise<DimensionCheck> =>
  answer(http.GET("/api/drawings/{id}/dimensions", at(id)));
export const tableFile = (id: string, table: string): string =>
  `/api/drawings/${id}/tables.csv?table=${encodeURIComponent(table)}`;
export const sheetOf = (id: string, number: number): Promise<Sheet> =>
  answer(http.GET("/api/drawings/{id}/sheets/{number}", { params: { path: { id, number } } }));
/** All sheets, each a page; or one of them on several pages of A4. */
export const sheetsFile = (id: string, onA4?: number): string =>
  `/api/drawings/${id}/sheets.pdf${onA4 === undefined ? "" : `?paper=a4&sheet=${onA4}`}`;
export const sheetPlot = (id: string, number: number): string => `/api/drawings/${id}/sheets/${number}/plot`;
export const sheetPicture = (id: string, number: number): string => `/api/drawings/${id}/sheets/${number}/picture.png`;
export const numbersOf = (id: string, field: Field, typed: string): Promise<number[]> =>
  answer(http.GET("/api/drawings/{id}/numbers", { params: { path: { id }, query: { field, typed } } }));
export type Alike = NonNullable<paths["/api/drawings/{id}/alike/{figure}"]["get"]["parameters"]["query"]>["way"];
export const alike = (id: string, figure: string, way: Alike): Promise<string[]> =>
  answer(http.GET("/api/drawings/{id}/alike/{figure}", { params: { path: { id, figure }, query: { way } } }));
export interface BoxAsked {
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
  readonly top: number;
  readonly turn: number;
  readonly touched: boolean;
}
export const inside = (id: string, query: BoxAsked): Promise<string[]> =>
  answer(http.GET("/api/drawings/{id}/inside", { params: { path: { id }, query } }));
export const groupsOf = (id: string): Promise<Groups> => answer(http.GET("/api/drawings/{id}/groups", at(id)));
export const copiedText = (id: string, figures: string[], pointer: Pointer): Promise<Copied> =>
  answer(http.POST("/api/drawings/{id}/copied", { ...at(id), body: { figures, pointer } }));
/** What a text draws, as it would be put down about 0, 0. */
export const drawnBy = (id: string, text: string): Promise<Figure[]> =>
  answer(http.POST("/api/drawings/{id}/drawn", { ...at(id), body: { text } }));
export const restoreDrawing = (id: string): Promise<Drawing> => answer(http.POST("/api/drawings/{id}/restore", at(id)));

export const backingOf = (id: string): Promise<Backing | null> =>
  answer(http.GET("/api/drawings/{id}/backing", at(id))).then((found) => found ?? null);
export const placeBacking = (id: string, body: Placing): Promise<Backing> =>
  answer(http.PATCH("/api/drawings/{id}/backing", { ...at(id), body }));
export const scaleBacking = (id: string, first: number[], second: number[], apart: string): Promise<Backing> =>
  answer(http.POST("/api/drawings/{id}/backing/scale", { ...at(id), body: { first, second, apart } }));
export const takeBackingAway = (id: string): Promise<unknown> =>
  answer(http.DELETE("/api/drawings/{id}/backing", at(id)));
/** A file goes over the wire as it is. */
async function putFile(url: string, file: Blob): Promise<unknown> {
  const response = await fetch(url, { method: "PUT", body: file }).catch(() => null);
  const said: unknown = await response?.json().catch(() => null);
  if (!response?.ok) throw new Refusal(messageOf(said));
  return said;
}
export const putBacking = (id: string, picture: Blob, scale: number): Promise<Backing> =>
  putFile(`/api/drawings/${id}/backing?scale=${scale}`, picture) as Promise<Backing>;
export const putMark = (picture: Blob): Promise<unknown> => putFile("/api/office/mark", picture);
export const takeMark = (): Promise<unknown> => answer(http.DELETE("/api/office/mark"));
export async function markOf(): Promise<Blob | null> {
  const response = await fetch("/api/office/mark");
  return response.status === 200 ? response.blob() : null;
}
