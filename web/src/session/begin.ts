/** Imported first of all: what is asked for here is on its way while the rest of the program is still being read. */
import { askEarly } from "./early";

askEarly();
