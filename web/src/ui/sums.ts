import jsep from "jsep";

/**
 * The value of a number or a simple sum: "12.5", "=120/3", "(4+2)*8"; null where it is neither. Comma counts as point.
 */
export function valueOf(text: string): number | null {
  const plain = text.trim().replace(/^=/, "").replace(/,/g, ".");
  if (plain === "") return null;
  try {
    const value = evaluate(jsep(plain));
    return Number.isFinite(value) ? value : null;
  } catch {
    return null;
  }
}

function evaluate(node: jsep.Expression): number {
  if (node.type === "Literal" && typeof node.value === "number") return node.value;
  if (node.type === "UnaryExpression") {
    const value = evaluate(node.argument as jsep.Expression);
    if (node.operator === "-") return -value;
    if (node.operator === "+") return value;
  }
  if (node.type === "BinaryExpression") {
    const left = evaluate(node.left as jsep.Expression);
    const right = evaluate(node.right as jsep.Expression);
    if (node.operator === "+") return left + right;
    if (node.operator === "-") return left - right;
    if (node.operator === "*") return left * right;
    if (node.operator === "/") return left / right;
  }
  throw new Error(`not a sum: ${node.type}`);
}

/** A number as fields show it: so many decimals at the most, no trailing zeros. */
export function shown(value: number, decimals = 2): string {
  return String(Number(value.toFixed(decimals)) + 0);
}

/** Whether a number lies in a range, its ends included. */
export const within = (value: number, [least, most]: readonly [number, number]) => value >= least && value <= most;
