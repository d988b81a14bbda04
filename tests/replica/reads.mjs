/** The core as it is made for the page, without a browser: a source and readings of it come in, one to a line; answers go out. */
import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { pathToFileURL } from "node:url";

const at = process.argv[2];
const { wake } = await import(pathToFileURL(`${at}/wake.mjs`).href);
const held = await wake(at, readFileSync(`${at}/memory.bin`), readFileSync(`${at}/lock.json`, "utf8"));
for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
  const { open, follow, read } = JSON.parse(line);
  if (open !== undefined) process.stdout.write(`${held.open(open)}\n`);
  else if (follow !== undefined) process.stdout.write(`${held.follow(...follow)}\n`);
  else process.stdout.write(`${held.read(read)}\n`);
}
process.exit(0);
