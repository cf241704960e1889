import type { Ref } from 'vue';
import { nearestTowards } from './elevation';
import type { Hand } from './use-hand';

/** What can be chosen on the drawing, and where. */
interface Spot {
  readonly kind: 'wheel' | 'member' | 'joint';
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

interface Keys {
  readonly hand: Hand;
  readonly spots: Readonly<Ref<readonly Spot[]>>;
  readonly typing: () => boolean;
  /** Begins to type a count into a wheel. */
  readonly start: (wheel: string, text?: string) => unknown;
  readonly layer: (wheel: string, by: 1 | -1) => void;
  readonly focus: (kind: string, id: string) => void;
  /** Keys that are commands of the page. */
  readonly key: (key: string, shift: boolean) => void;
}

const ARROWS: Readonly<Record<string, 'left' | 'right' | 'up' | 'down'>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/**
 * The keyboard on the drawing of a train: arrows go to the nearest wheel, arbor or mesh, with shift they take a wheel
 * to another layer; digits and Enter type its count; letters are commands.
 */
export function useElevationKeys(keys: Keys): (event: KeyboardEvent) => void {
  const { hand, spots } = keys;
  const taken = (event: KeyboardEvent): void => {
    event.preventDefault();
    event.stopPropagation();
  };
  function go(event: KeyboardEvent, direction: 'left' | 'right' | 'up' | 'down', here: Spot): void {
    taken(event);
    if (event.shiftKey && here.kind === 'wheel' && (direction === 'up' || direction === 'down')) {
      keys.layer(here.id, direction === 'up' ? 1 : -1);
      return;
    }
    const next = nearestTowards(here, spots.value, direction);
    if (!next) return;
    if (!hand.pick.value) hand.choose({ kind: next.kind, id: next.id });
    keys.focus(next.kind, next.id);
  }
  function press(event: KeyboardEvent): void {
    const target = event.target instanceof Element ? event.target : undefined;
    const [kind, id] = [target?.getAttribute('data-kind'), target?.getAttribute('data-id')];
    if (!kind || !id) return;
    taken(event);
    const { value: chosen } = hand.chosen;
    hand.choose({ kind: kind as Spot['kind'], id });
    if (chosen?.kind === kind && chosen.id === id && kind === 'wheel' && event.key === 'Enter')
      keys.start(id);
  }
  return event => {
    if (keys.typing() || event.ctrlKey || event.metaKey || event.altKey) return;
    const { value: chosen } = hand.chosen;
    const at = event.target instanceof Element ? event.target : undefined;
    const [kind, id] = [at?.getAttribute('data-kind'), at?.getAttribute('data-id')];
    const here =
      spots.value.find(s => s.kind === kind && s.id === id) ??
      spots.value.find(s => s.kind === chosen?.kind && s.id === chosen.id) ??
      spots.value[0];
    const direction = ARROWS[event.key];
    if (direction && here) go(event, direction, here);
    else if (event.key === 'Enter' || event.key === ' ') press(event);
    else if (chosen?.kind === 'wheel' && /^[0-9]$/.test(event.key)) {
      taken(event);
      keys.start(chosen.id, event.key);
    } else if (event.key === 'Escape' || event.key === 'Delete' || /^[nijokmgsrx]$/.test(event.key)) {
      taken(event);
      keys.key(event.key, event.shiftKey);
    }
  };
}
