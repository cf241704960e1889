/** Things that wait to be drawn; one in every frame, in the order in which they came. */
const waiting: (() => void)[] = [];
let asked = false;

function next(): void {
  waiting.shift()?.();
  asked = waiting.length > 0;
  if (asked) requestAnimationFrame(() => setTimeout(next));
}

/** Lets something wait for a frame of its own; what is given back lets it leave the row. */
export function inTurn(draw: () => void): () => void {
  waiting.push(draw);
  if (!asked) {
    asked = true;
    requestAnimationFrame(() => setTimeout(next));
  }
  return () => {
    const at = waiting.indexOf(draw);
    if (at >= 0) waiting.splice(at, 1);
  };
}
