import { expect, it } from "vitest";

import { ago } from "./ago";

it("says how long ago something was", () => {
  const now = Date.parse("2026-05-01T12:00:00Z");
  expect(ago("2026-05-01T11:59:50Z", now)).toBe("just now");
  expect(ago("2026-05-01T11:57:00Z", now)).toBe("3 minutes ago");
  expect(ago("2026-04-30T12:00:00Z", now)).toBe("yesterday");
  expect(ago("2023-04-30T12:00:00Z", now)).toBe("3 years ago");
});
