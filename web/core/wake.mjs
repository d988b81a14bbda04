/**
 * Wakes the core from the picture of its memory. It is loaded by the page and by the tests, from where the other files are.
 */

/** Bytes that the interpreter asks for at a time until its memory is as large as the picture; they are overwritten by it. */
const PIECE = 4 * 2 ** 20;
/** What stands in front of the memory in the picture. */
const HEAD = 4096;

function enlarge(module, size) {
  while (module.HEAPU8.length < size - HEAD)
    if (module._malloc(PIECE) === 0) throw new Error("there is not memory enough");
}

/** `at` is where the files are; `memory` and `lock` are the contents of two of them. */
export async function wake(at, memory, lock) {
  const [{ loadPyodide }, { default: create }] = await Promise.all([
    import(/* @vite-ignore */ `${at}/pyodide.mjs`),
    import(/* @vite-ignore */ `${at}/pyodide.asm.mjs`),
  ]);
  const python = await loadPyodide({
    indexURL: `${at}/`,
    stdLibURL: `${at}/library.zip`,
    lockFileContents: lock,
    _loadSnapshot: memory,
    createPyodideModule: async (settings) => {
      const module = await create(settings);
      enlarge(module, memory.byteLength);
      return module;
    },
  });
  return python.globals.get("held");
}
