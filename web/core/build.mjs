/**
 * Makes the core for the page: a Python in WebAssembly that has imported and tried the core already, as a picture of its memory.
 * What a browser loads of it is this picture and the interpreter; nothing is compiled or imported there any more.
 */
import { mkdirSync, readFileSync, rmSync, writeFileSync, existsSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";

import { coreFiles, PROGRAM, PYODIDE, version } from "./version.mjs";

const here = fileURLToPath(new URL(".", import.meta.url));
const HOME = "/home/pyodide";
const all = join(here, "..", "public", "core");
const out = join(all, version());

if (existsSync(join(out, "whole"))) process.exit(0);
rmSync(all, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

const { loadPyodide } = await import(pathToFileURL(join(PYODIDE, "pyodide.mjs")).href);
const python = await loadPyodide({ _makeSnapshot: true });
const put = (path, data) => {
  python.FS.mkdirTree(dirname(path));
  python.FS.writeFile(path, data);
};
for (const file of coreFiles()) put(`${HOME}/${file}`, readFileSync(join(PROGRAM, file)));
// The package is compiled for other machines; here a plain stand-in of our own takes its place.
put(`${HOME}/immutables/__init__.py`, "from kentrograph.core.replica.tables import Map as Map\n");
python.runPython(readFileSync(join(here, "warm.py"), "utf8"));

const LOCK = JSON.parse(readFileSync(join(PYODIDE, "pyodide-lock.json"), "utf8"));
// An interpreter without its library: all of it that is used is in the picture.
const EMPTY_ZIP = Buffer.from("504b0506" + "00".repeat(18), "hex");
const files = {
  "memory.bin": python.makeMemorySnapshot(),
  "library.zip": EMPTY_ZIP,
  // No packages are loaded; the interpreter wants to know that there are none.
  "lock.json": Buffer.from(JSON.stringify({ info: LOCK.info, packages: {} })),
  "wake.mjs": readFileSync(join(here, "wake.mjs")),
  "pyodide.mjs": readFileSync(join(PYODIDE, "pyodide.mjs")),
  "pyodide.asm.mjs": readFileSync(join(PYODIDE, "pyodide.asm.mjs")),
  "pyodide.asm.wasm": readFileSync(join(PYODIDE, "pyodide.asm.wasm")),
};
for (const [name, data] of Object.entries(files)) {
  writeFileSync(join(out, name), data);
  if (data.length < 10_000) continue;
  const params = { [constants.BROTLI_PARAM_QUALITY]: 6, [constants.BROTLI_PARAM_LGWIN]: 24 };
  writeFileSync(join(out, `${name}.br`), brotliCompressSync(data, { params }));
  writeFileSync(join(out, `${name}.gz`), gzipSync(data, { level: 6 }));
}
writeFileSync(join(out, "whole"), "");
process.exit(0);
