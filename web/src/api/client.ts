/** HTTP calls of the shelf, typed by the server's schema. */
import createClient from "openapi-fetch";

import type { paths } from "./schema.gen";
import type { Drawing, SnapKind, Working } from "./types";

const http = createClient<paths>({ baseUrl: "/" });

/** What the server said was wrong, or that it did not answer. */
export class Refusal extends Error {}

function messageOf(error: unknown): string {
  if (typeof error === "object" && error !== null && "message" in error && typeof error.message === "string") {
    return error.message;
  }
  return "The server does not answer; nothing was changed.";
}

async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const result = await call.catch((error: unknown) => {
    throw new Refusal(messageOf(error instanceof TypeError ? undefined : error));
  });
  if (!result.response.ok) throw new Refusal(messageOf(result.error));
  return result.data as T;
}

const at = (id: string) => ({ params: { path: { id } } });

export const listDrawings = (): Promise<Drawing[]> => answer(http.GET("/api/drawings"));
export const createDrawing = (name: string): Promise<Drawing> =>
  answer(http.POST("/api/drawings", { body: { name, text: "", author: "drafter" } }));
export const renameDrawing = (id: string, name: string): Promise<Drawing> =>
  answer(http.PATCH("/api/drawings/{id}", { ...at(id), body: { name } }));
export const duplicateDrawing = (id: string): Promise<Drawing> =>
  answer(http.POST("/api/drawings/{id}/duplicate", at(id)));
export const deleteDrawing = (id: string): Promise<unknown> => answer(http.DELETE("/api/drawings/{id}", at(id)));
export const workingOf = (id: string, step: string): Promise<Working> =>
  answer(http.GET("/api/drawings/{id}/working/{step}", { params: { path: { id, step } } }));
export const snapKinds = (): Promise<SnapKind[]> => answer(http.GET("/api/snapping"));
export const restoreDrawing = (id: string): Promise<Drawing> => answer(http.POST("/api/drawings/{id}/restore", at(id)));
