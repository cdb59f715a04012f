import { placeNames, type Named } from '@/core/drawing/names';
import type { Vec } from '@/core/solids/solid';
import type { TurnScene } from './scene';

interface Item {
  el: HTMLElement;
  at: Vec;
  piece: number | null;
  /** A name gives way to the others; a pin stands where it points. */
  name: boolean;
}

/** As many names may stand on the rig itself. */
const FEW = 3;

/** Pins and names over the picture: put where things are after every frame. */
export class Overlay {
  readonly #items = new Set<Item>();
  #leaders: SVGPathElement | null = null;

  #ask: (() => void) | null = null;

  /** What asks for the next frame: something new is to be put in its place. */
  asks(ask: () => void) {
    this.#ask = ask;
  }

  /** The path that lines from names to what they name are drawn with. */
  drawLeaders(el: SVGPathElement | null) {
    this.#leaders = el;
  }

  /** Stands over the picture until the returned function is called. */
  add(item: Item): () => void {
    this.#items.add(item);
    this.#ask?.();
    return () => this.#items.delete(item);
  }

  place(scene: TurnScene, sheet: { w: number; h: number }) {
    const pins: { left: number; top: number; w: number; h: number }[] = [];
    const names: (Named & { el: HTMLElement })[] = [];
    for (const item of this.#items) {
      const at = scene.at(item.at, item.piece);
      const [w, h] = [item.el.offsetWidth, item.el.offsetHeight];
      if (!at || at.x < 0 || at.y < 0 || at.x > sheet.w || at.y > sheet.h) {
        item.el.style.visibility = 'hidden';
        continue;
      }
      if (item.name) {
        names.push({ key: String(names.length), x: at.x, y: at.y, w, h, el: item.el });
        continue;
      }
      const left = Math.min(sheet.w - w, Math.max(0, at.x - w / 2));
      let top = Math.min(sheet.h - h, Math.max(0, at.y - h / 2));
      // Those that would lie on each other stand one under the other.
      while (pins.some((p) => Math.abs(p.left - left) < w && Math.abs(p.top - top) < h - 8))
        top += h - 8;
      pins.push({ left, top, w, h });
      stand(item.el, left, top);
    }
    // Many names stand beside the rig, a few on it.
    const taken = names.length > FEW ? [...pins, ...scene.boxes()] : pins;
    const placed = new Map(placeNames(names, sheet, taken).map((n) => [n.key, n]));
    const lines: string[] = [];
    for (const n of names) {
      const p = placed.get(n.key);
      if (!p) {
        n.el.style.visibility = 'hidden';
        continue;
      }
      stand(n.el, p.left, p.top);
      const x = Math.min(p.left + p.w, Math.max(p.left, n.x));
      lines.push(`M${n.x} ${n.y}L${x} ${p.top + p.h / 2 > n.y ? p.top : p.top + p.h}`);
    }
    this.#leaders?.setAttribute('d', lines.join(''));
  }
}

function stand(el: HTMLElement, left: number, top: number) {
  el.style.visibility = 'visible';
  el.style.transform = `translate(${left.toFixed(1)}px, ${top.toFixed(1)}px)`;
}
