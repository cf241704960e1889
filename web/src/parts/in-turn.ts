/** Things that wait to be drawn; one in every frame, in the order in which they came. */
const waiting: (() => void)[] = [];
let asked = false;

const ask = (): void => void requestAnimationFrame(() => setTimeout(next));

function next(): void {
  const draw = waiting.shift();
  asked = waiting.length > 0;
  if (asked) ask();
  draw?.();
}

/** Lets something wait for a frame of its own; what is given back lets it leave the row. */
export function inTurn(draw: () => void): () => void {
  waiting.push(draw);
  if (!asked) {
    asked = true;
    ask();
  }
  return () => {
    const at = waiting.indexOf(draw);
    if (at >= 0) waiting.splice(at, 1);
  };
}
