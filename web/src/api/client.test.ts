import { expect, test } from "vitest";

import { answer, checkReport, messageOf, Refusal, tableFile } from "./client";

const response = (status: number) => new Response("", { status });

test("what the server answers is the answer", async () => {
  expect(await answer(Promise.resolve({ data: [1, 2], response: response(200) }))).toEqual([1, 2]);
});

test("what it refuses says why, in its own words", async () => {
  const refused = answer(Promise.resolve({ error: { message: "No such step." }, response: response(404) }));
  await expect(refused).rejects.toThrow(new Refusal("No such step."));
});

test("where it does not answer, or with something else, nothing was changed", async () => {
  const lost = "The server does not answer; nothing was changed.";
  await expect(answer(Promise.reject(new TypeError("Failed to fetch")))).rejects.toThrow(new Refusal(lost));
  await expect(answer(Promise.resolve({ error: "<html>", response: response(502) }))).rejects.toThrow(lost);
  for (const odd of [null, undefined, 7, { message: 7 }]) expect(messageOf(odd)).toBe(lost);
});

test("a fault that is none of the connection keeps its own words", async () => {
  await expect(answer(Promise.reject(new Error("aborted")))).rejects.toThrow(new Refusal("aborted"));
});

test("names in addresses are written so that they come back", () => {
  expect(new URL(tableFile("d", "T1 & T2"), "http://x").searchParams.get("table")).toBe("T1 & T2");
  expect(checkReport("d", "csv")).not.toContain("limit");
  expect(new URL(checkReport("d", "csv", 0.5), "http://x").searchParams.get("limit")).toBe("0.5");
});
