import { onScopeDispose } from "vue";

type Action = (event: KeyboardEvent) => unknown;

/** Kinds of input that nothing is typed into. */
const PRESSED = ["radio", "checkbox", "button", "file", "color"];
/** Keys that such inputs, and ranges, have a use for themselves. */
const OWN = /^(Arrow|Home|End|Page| $|Enter)/;

/** Whether a key goes into a field, so that it is a letter and no command. */
function typing({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement && (PRESSED.includes(target.type) || target.type === "range"))
    return OWN.test(key);
  return target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName);
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
  if (event.defaultPrevented || typing(event) || document.querySelector(".modal.show")) return;
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
