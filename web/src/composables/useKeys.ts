import { useEventListener } from "@vueuse/core";

type Action = (event: KeyboardEvent) => unknown;

/** Whether typing goes into a field, so that keys are letters and not commands. */
function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));
}

/** The name of a key press: "Ctrl+z", "Shift+ArrowLeft", ",". Shift counts only where it does not change the character. */
export function keyName(event: KeyboardEvent): string {
  const long = event.key.length > 1;
  const key = event.ctrlKey || event.metaKey ? event.key.toLowerCase() : event.key;
  return [
    event.ctrlKey || event.metaKey ? "Ctrl+" : "",
    event.altKey ? "Alt+" : "",
    event.shiftKey && (long || event.ctrlKey || event.metaKey) ? "Shift+" : "",
    long && (event.ctrlKey || event.metaKey) ? event.key : key,
  ].join("");
}

/** Runs an action for a key while the component is there, unless a field or an open dialog has the keys. */
export function useKeys(actions: Record<string, Action>) {
  useEventListener(document, "keydown", (event: KeyboardEvent) => {
    if (typing(event.target) || document.querySelector(".modal.show")) return;
    const action = actions[keyName(event)];
    if (!action || event.defaultPrevented) return;
    if (action(event) !== false) event.preventDefault();
  });
}
