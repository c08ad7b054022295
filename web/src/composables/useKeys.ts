import { onScopeDispose } from "vue";

type Action = (event: KeyboardEvent) => unknown;

/** Whether typing goes into a field, so that keys are letters and not commands. */
function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName))
  );
}

/**
 * The name of a key press: "Ctrl+z", "Shift+ArrowLeft", ",". Shift counts only where it does not change the character.
 */
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

type Actions = Record<string, Action>;

/** The tables of all components that are there, the oldest first. */
const tables: Actions[] = [];

function press(event: KeyboardEvent) {
  if (event.defaultPrevented || typing(event.target) || document.querySelector(".modal.show")) return;
  const name = keyName(event);
  const taken = [...tables].reverse().some((actions) => actions[name] && actions[name](event) !== false);
  if (taken) event.preventDefault();
}

/**
 * Runs an action for a key while the component is there, unless a field or an open dialog has the keys. What came onto
 * the screen last is asked first; an action that gives false leaves the key to the others.
 */
export function useKeys(actions: Actions) {
  if (tables.length === 0) document.addEventListener("keydown", press);
  tables.push(actions);
  onScopeDispose(() => {
    tables.splice(tables.indexOf(actions), 1);
    if (tables.length === 0) document.removeEventListener("keydown", press);
  });
}
