"""Makes the lettering of sheets from the fonts of the front end: the same letters as TrueType, which PDF embeds; their widths.

Run with the virtual environment's Python once Node's packages are there: `machine.lettering` does.
"""

import sys
from pathlib import Path
from tempfile import TemporaryDirectory
from unicodedata import combining

from fontTools.merge import Merger
from fontTools.ttLib import TTFont
from fontTools.varLib import instancer

ROOT = Path(__file__).resolve().parent.parent
FONT = ROOT / "web" / "node_modules" / "@fontsource-variable" / "ibm-plex-sans" / "files"
SCRIPTS = ("latin", "latin-ext", "greek", "cyrillic")
MADE = ROOT / "kentrograph" / "exchange" / "fonts"
POSTSCRIPT_NAME = 6
WEIGHTS = {"regular": 400, "strong": 600}
WIDTHS = ROOT / "kentrograph" / "core" / "sheet" / "advances.py"


def main() -> None:
    """Writes the fonts and, with ``--widths``, the table of widths that the core lays words out by."""
    MADE.mkdir(parents=True, exist_ok=True)
    with TemporaryDirectory() as folder:
        for name, weight in WEIGHTS.items():
            parts = [one_script(script, weight, Path(folder)) for script in SCRIPTS]
            whole = Merger().merge(parts)
            # Whoever embeds fonts tells them apart by this name.
            for record in whole["name"].names:
                if record.nameID == POSTSCRIPT_NAME:
                    record.string = f"IBMPlexSans-{weight}"
            whole.save(MADE / f"{name}.ttf")
    if "--widths" in sys.argv:
        write_widths()


def one_script(script: str, weight: int, folder: Path) -> str:
    """The letters of one script in one weight, without what only sets them nicer, as a file."""
    font = TTFont(FONT / f"ibm-plex-sans-{script}-wght-normal.woff2")
    instancer.instantiateVariableFont(font, {"wght": weight}, inplace=True)
    font.flavor = None
    for tag in ("GSUB", "GPOS", "GDEF", "STAT", "HVAR", "MVAR"):
        if tag in font:
            del font[tag]
    file = folder / f"{script}-{weight}.ttf"
    font.save(file)
    return str(file)


def write_widths() -> None:
    """The advance of every letter in thousandths of the height of capitals, as a module of the core."""
    fonts = {name: TTFont(MADE / f"{name}.ttf") for name in WEIGHTS}
    lines = [
        '"""How wide each letter is, in thousandths of the height of capitals. Made by `tools/fonts.py --widths` from the fonts',
        'that ship with the application; a test holds it against them."""',
        "",
    ]
    for name, font in fonts.items():
        capital = font["OS/2"].sCapHeight
        letters = {
            code: round(1000 * font["hmtx"][glyph][0] / capital)
            for code, glyph in sorted(font.getBestCmap().items())
            if code >= 32 and chr(code).isprintable() and not combining(chr(code))
        }
        by_width: dict[int, str] = {}
        for code, width in letters.items():
            by_width[width] = by_width.get(width, "") + chr(code)
        lines.append(f"{name.upper()}: dict[int, str] = {{")
        lines += [f"    {width}: {text!r}," for width, text in sorted(by_width.items())]
        lines.append("}")
        lines.append(f"{name.upper()}_EM = {font['head'].unitsPerEm / capital:.6f}")
        lines.append('"""Height of the type\'s body for capitals 1 high."""')
        lines.append("")
    WIDTHS.write_text("\n".join(lines), encoding="utf-8")


if __name__ == "__main__":
    main()
