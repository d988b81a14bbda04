/** What the core in the page is made of, and under which name it is served: another core has another name. */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { fileURLToPath } from "node:url";

const here = fileURLToPath(new URL(".", import.meta.url));
export const PROGRAM = join(here, "..", "..");
export const PYODIDE = join(here, "..", "node_modules", "pyodide");

/** The Python files of the core, by their paths from the program's folder. */
export function coreFiles() {
  const found = [join("kentrograph", "__init__.py")];
  for (const entry of readdirSync(join(PROGRAM, "kentrograph", "core"), { recursive: true, withFileTypes: true }))
    if (entry.isFile() && entry.name.endsWith(".py"))
      found.push(relative(PROGRAM, join(entry.parentPath ?? entry.path, entry.name)));
  return found.sort();
}

export function version() {
  const hash = createHash("sha256");
  for (const name of ["build.mjs", "wake.mjs", "warm.py", "version.mjs"]) hash.update(readFileSync(join(here, name)));
  hash.update(readFileSync(join(PYODIDE, "package.json")));
  for (const file of coreFiles()) hash.update(file).update(readFileSync(join(PROGRAM, file)));
  return hash.digest("hex").slice(0, 12);
}
