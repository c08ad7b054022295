import { afterEach, vi } from "vitest";

// All files share one window: each test leaves it as it found it.
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  localStorage.clear();
  document.body.replaceChildren();
});
