import {
  LinearSRGBColorSpace,
  Matrix4,
  Mesh,
  OrthographicCamera,
  PerspectiveCamera,
  Scene,
  Vector3,
  Vector4,
  WebGLRenderer,
  type DataTexture,
  type Material,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { Model } from '@/core/model/model';
import type { Vec } from '@/core/solids/solid';
import { fillOf, hatchOf, refill, stripOf, tableOf } from './geometry';
import { Lines, TONE, type Showing } from './lines';
import { firstMet, tiltOf } from './tilt';
import { STANDARD, type AirLine, type Standard } from './looks';
import {
  fillMaterial,
  hatchMaterial,
  lineMaterial,
  rgb,
  themeColours,
  type Shared,
} from './materials';

/** How far apart the eye sees what it looks at, degrees, where it sees in perspective. */
const FOV = 26;
/** A frame that takes longer while it is moved leaves out what is hidden, ms. */
const SLOW = 50;

/** The picture itself: what three draws, and where it is looked at from. */
export class TurnScene {
  readonly #renderer: WebGLRenderer;
  readonly #scene = new Scene();
  readonly #flat = new OrthographicCamera();
  readonly #deep = new PerspectiveCamera(FOV);
  readonly #controls: OrbitControls;
  readonly #shared: Shared = {
    both: { value: new Matrix4() },
    pieces: { value: null },
    apart: { value: 0 },
    cut: { value: new Vector4(0, 0, 0, 0) },
    colours: { value: [] },
    px: { value: 1 },
  };
  /** How the rig is turned as it hangs; as it stands when null. Its depth is counted from the eye. */
  #tilt: Matrix4 | null = null;
  #model: Model | null = null;
  #lines: Lines | null = null;
  /** Fills, hidden lines, lines, what two parts share, lines over everything: drawn in this order. */
  readonly #meshes: readonly [Mesh, Mesh, Mesh, Mesh, Mesh];
  #asked = 0;
  #moving = false;
  #slow = false;
  #w = 1;
  #h = 1;
  #show: Showing = {
    apart: 0,
    lit: new Set(),
    added: new Set(),
    sweeps: false,
    cut: null,
    quick: false,
  };

  /**
   * @param drawn called after each frame, to put names and pins where things are
   * @param lost called when the graphics of the device are taken away
   * @throws Error where the browser has no graphics of this sort
   */
  constructor(
    readonly canvas: HTMLCanvasElement,
    private readonly drawn: () => void,
    lost: () => void,
  ) {
    this.#renderer = new WebGLRenderer({ canvas, antialias: false });
    this.#renderer.outputColorSpace = LinearSRGBColorSpace;
    this.#renderer.autoClear = false;
    const mesh = (material: Material) => new Mesh(undefined, material);
    this.#meshes = [
      mesh(fillMaterial(this.#shared)),
      mesh(lineMaterial(this.#shared, 'hidden')),
      mesh(lineMaterial(this.#shared, 'before')),
      mesh(hatchMaterial(this.#shared)),
      mesh(lineMaterial(this.#shared, 'over')),
    ];
    this.#meshes.forEach((m, i) => {
      m.frustumCulled = false;
      m.renderOrder = i;
      this.#scene.add(m);
    });
    this.#controls = new OrbitControls(this.#flat, canvas);
    this.#controls.enableDamping = false;
    this.#controls.zoomToCursor = true;
    this.#controls.addEventListener('change', () => this.ask());
    this.#controls.addEventListener('start', () => (this.#moving = true));
    this.#controls.addEventListener('end', () => {
      this.#moving = false;
      this.ask();
    });
    canvas.addEventListener('webglcontextlost', (e) => {
      e.preventDefault();
      lost();
    });
  }

  get parallel() {
    return this.#controls.object === this.#flat;
  }

  /** The rig to be drawn; where it is looked at from stays as it is. */
  take(model: Model, air: readonly AirLine[]) {
    this.#model = model;
    this.#lines = new Lines(
      model,
      air.map((l) => ({ ...l, tone: TONE[l.tone] })),
    );
    for (const m of this.#meshes) m.geometry.dispose();
    const [fill, hidden, front, hatch, over] = this.#meshes;
    fill.geometry = fillOf(model);
    hidden.geometry = stripOf(this.#lines.hidden);
    front.geometry = stripOf(this.#lines.out);
    hatch.geometry = hatchOf(model);
    over.geometry = stripOf(this.#lines.over);
    this.theme();
  }

  /** How it is to be shown from now on. */
  shown(show: Omit<Showing, 'quick'>) {
    this.#show = { ...show, quick: false };
    this.ask();
  }

  /** Turned about what holds it, so that the way it is pulled is down; upright again when null. */
  hang(how: { about: Vec; down: Vec } | null) {
    this.#tilt = how && tiltOf(how);
    this.ask();
  }

  /** Colours as the theme has them now. */
  theme() {
    const colours = themeColours();
    this.#shared.colours.value = colours;
    const css = getComputedStyle(document.documentElement);
    this.#paper = rgb(css.getPropertyValue('--paper'));
    if (this.#model) {
      (this.#shared.pieces.value as DataTexture | null)?.dispose();
      this.#shared.pieces.value = tableOf(this.#model, css);
    }
    this.ask();
  }

  #paper: readonly [number, number, number] = [0, 0, 0];

  /** The paper, straight as the theme has it: also after the graphics were lost and came back. */
  #clear() {
    const gl = this.#renderer.getContext();
    gl.clearColor(...this.#paper, 1);
    gl.depthMask(true);
    gl.clear(gl.COLOR_BUFFER_BIT | gl.DEPTH_BUFFER_BIT);
  }

  size(w: number, h: number) {
    this.#w = Math.max(1, w);
    this.#h = Math.max(1, h);
    const px = Math.min(2, window.devicePixelRatio || 1);
    this.#shared.px.value = px;
    this.#renderer.setPixelRatio(px);
    this.#renderer.setSize(this.#w, this.#h, false);
    this.ask();
  }

  /** Looks along one of the standard ways, with all of the rig in the picture. */
  look(standard: Standard) {
    const { az, pol } = STANDARD[standard];
    this.#turnTo((az * Math.PI) / 180, (pol * Math.PI) / 180);
    this.fit();
  }

  /** All of the rig in the picture, from where it is looked at. */
  fit() {
    if (!this.#model) return;
    const camera = this.#controls.object;
    camera.updateMatrixWorld();
    const [right, up, back] = [new Vector3(), new Vector3(), new Vector3()];
    camera.matrixWorld.extractBasis(right, up, back);
    const { apart } = this.#show;
    const points = this.#model.shapes.flatMap((s) => {
      const off = this.#model!.pieces[s.piece]!.away;
      return s.sweep
        ? []
        : s.block.points.map(
            (p) =>
              new Vector3(p[0] + apart * off[0], p[1] + apart * off[1], -(p[2] + apart * off[2])),
          );
    });
    if (points.length === 0) return;
    if (this.#tilt) for (const p of points) p.applyMatrix4(this.#tilt);
    const middle = new Vector3();
    const span = (d: Vector3) => {
      const at = points.map((p) => p.dot(d));
      const [lo, hi] = [at.reduce((a, b) => Math.min(a, b)), at.reduce((a, b) => Math.max(a, b))];
      middle.addScaledVector(d, (lo + hi) / 2);
      return hi - lo;
    };
    span(back);
    const high = 1.14 * Math.max(span(up), (span(right) * this.#h) / this.#w, 20);
    const way = camera.position.clone().sub(this.#controls.target).normalize();
    this.#controls.target.copy(middle);
    this.#stand(way, high);
  }

  /** How high the picture is where it is looked at, mm. */
  #high(): number {
    if (this.parallel) return (this.#flat.top - this.#flat.bottom) / this.#flat.zoom;
    const d = this.#deep.position.distanceTo(this.#controls.target);
    return 2 * d * Math.tan((FOV * Math.PI) / 360);
  }

  #stand(way: Vector3, high: number) {
    const d = high / 2 / Math.tan((FOV * Math.PI) / 360);
    for (const c of [this.#flat, this.#deep])
      c.position.copy(this.#controls.target).addScaledVector(way, d);
    this.#flat.zoom = 1;
    this.#flat.top = high / 2;
    this.#flat.bottom = -high / 2;
    this.#aspect();
    this.#controls.update();
    this.ask();
  }

  #aspect() {
    const high = this.#flat.top - this.#flat.bottom;
    const wide = (high * this.#w) / this.#h;
    this.#flat.left = -wide / 2;
    this.#flat.right = wide / 2;
    this.#deep.aspect = this.#w / this.#h;
    const far = 8000;
    this.#flat.near = -far;
    this.#flat.far = 2 * far;
    this.#deep.near = 10;
    this.#deep.far = 2 * far;
    this.#flat.updateProjectionMatrix();
    this.#deep.updateProjectionMatrix();
  }

  /** Seen in perspective, or from everywhere alike; as large as before. */
  perspective(on: boolean) {
    if (on !== this.parallel) return;
    const high = this.#high();
    const way = this.#controls.object.position.clone().sub(this.#controls.target).normalize();
    this.#controls.object = on ? this.#deep : this.#flat;
    this.#stand(way, high);
  }

  /** Turns about what is looked at, degrees. */
  turn(az: number, pol: number) {
    const a = this.#controls.getAzimuthalAngle() + (az * Math.PI) / 180;
    const p = this.#controls.getPolarAngle() + (pol * Math.PI) / 180;
    this.#turnTo(a, Math.min(Math.PI, Math.max(0, p)));
    this.ask();
  }

  #turnTo(az: number, pol: number) {
    // Straight down the way up would be none: a hair beside it.
    const p = Math.min(Math.PI - 1e-4, Math.max(1e-4, pol));
    const camera = this.#controls.object;
    const d = camera.position.distanceTo(this.#controls.target) || 1000;
    camera.position.setFromSphericalCoords(d, p, az).add(this.#controls.target);
    this.#controls.update();
  }

  /** Moves the picture, in shares of its height. */
  pan(x: number, y: number) {
    const camera = this.#controls.object;
    const [right, up] = [new Vector3(), new Vector3()];
    camera.updateMatrixWorld();
    camera.matrixWorld.extractBasis(right, up, new Vector3());
    const by = right.multiplyScalar(-x * this.#high()).addScaledVector(up, -y * this.#high());
    camera.position.add(by);
    this.#controls.target.add(by);
    this.#controls.update();
    this.ask();
  }

  /** Nearer by a factor. */
  zoom(by: number) {
    const way = this.#controls.object.position.clone().sub(this.#controls.target).normalize();
    this.#stand(way, this.#high() / by);
  }

  /** A frame with the next one of the screen. */
  ask() {
    if (this.#asked === 0) this.#asked = requestAnimationFrame(() => this.#draw());
  }

  #draw() {
    this.#asked = 0;
    if (!this.#model || !this.#lines) return;
    const began = performance.now();
    this.#aspect();
    const camera = this.#controls.object;
    camera.updateMatrixWorld();
    const both = this.#shared.both.value as Matrix4;
    both.multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse);
    const way = new Vector3();
    camera.getWorldDirection(way);
    const eye = camera.position.clone();
    if (this.#tilt) {
      both.multiply(this.#tilt);
      // Seen from the rig it is the eye that is turned.
      const back = this.#tilt.clone().invert();
      eye.applyMatrix4(back);
      way.transformDirection(back);
    }
    const { cut, apart } = this.#show;
    this.#shared.apart.value = apart;
    const plane = this.#shared.cut.value as Vector4;
    if (!cut) plane.set(0, 0, 0, 0);
    else plane.set(+(cut.axis === 0), +(cut.axis === 1), -(cut.axis === 2), cut.at);
    this.#lines.update(
      {
        matrix: both.elements,
        eye: [eye.x, eye.y, -eye.z],
        way: [way.x, way.y, -way.z],
        parallel: this.parallel,
        width: this.#w / 2,
        height: this.#h / 2,
      },
      { ...this.#show, quick: this.#moving && this.#slow },
    );
    const [, hidden, front, hatch, over] = this.#meshes;
    refill(front.geometry, this.#lines.out);
    refill(hidden.geometry, this.#lines.hidden);
    refill(over.geometry, this.#lines.over);
    // Drawn apart, nothing stands in the same place.
    hatch.visible = apart === 0;
    this.#clear();
    this.#renderer.render(this.#scene, camera);
    this.drawn();
    this.#slow = performance.now() - began > SLOW;
  }

  /** Where a point of the rig lies in the picture, px; null behind the eye. */
  at(p: Vec, piece: number | null): { x: number; y: number } | null {
    const off = piece === null ? null : this.#model?.pieces[piece]?.away;
    const k = off ? this.#show.apart : 0;
    const v = new Vector4(
      p[0] + k * (off?.[0] ?? 0),
      p[1] + k * (off?.[1] ?? 0),
      -(p[2] + k * (off?.[2] ?? 0)),
      1,
    ).applyMatrix4(this.#shared.both.value as Matrix4);
    if (v.w <= 0) return null;
    return { x: (0.5 + v.x / v.w / 2) * this.#w, y: (0.5 - v.y / v.w / 2) * this.#h };
  }

  /** What each piece takes up in the picture, px. */
  boxes(): { left: number; top: number; w: number; h: number }[] {
    return (this.#model?.pieces ?? []).flatMap((p, piece) => {
      const e = p.extent;
      const corners = Array.from({ length: 8 }, (_, k) =>
        this.at([e[k & 1 ? 3 : 0], e[k & 2 ? 4 : 1], e[k & 4 ? 5 : 2]], piece),
      ).filter((c) => c !== null);
      if (corners.length < 8) return [];
      const [xs, ys] = [corners.map((c) => c.x), corners.map((c) => c.y)];
      const [left, top] = [Math.min(...xs), Math.min(...ys)];
      return [{ left, top, w: Math.max(...xs) - left, h: Math.max(...ys) - top }];
    });
  }

  /** The nearest piece under a point of the picture, px; null where there is none. */
  pick(x: number, y: number): number | null {
    if (!this.#model) return null;
    const inverse = (this.#shared.both.value as Matrix4).clone().invert();
    const [u, v] = [(2 * x) / this.#w - 1, 1 - (2 * y) / this.#h];
    const near = new Vector3(u, v, -1).applyMatrix4(inverse);
    const way = new Vector3(u, v, 1).applyMatrix4(inverse).sub(near);
    return firstMet(this.#model, near, way, this.#show);
  }

  end() {
    if (this.#asked !== 0) cancelAnimationFrame(this.#asked);
    this.#controls.dispose();
    for (const m of this.#meshes) {
      m.geometry.dispose();
      (m.material as Material).dispose();
    }
    (this.#shared.pieces.value as DataTexture | null)?.dispose();
    this.#renderer.dispose();
  }
}
