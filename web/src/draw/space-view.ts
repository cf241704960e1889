import type { TriMesh } from '@tesseron/core/geometry';
import type { Stance } from '@tesseron/core/motion';
import type { SpaceItem, SpaceScene } from '@tesseron/core/solid';
import {
  AmbientLight,
  BackSide,
  Box3,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  Plane,
  Scene,
  Sphere,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/**
 * How a machine is shown in space: how far it is drawn apart along its arbors, where it is cut open, and what is
 * left out.
 */
interface SpaceLook {
  /** 0 as it is; 1 every height stretched to four times. */
  readonly apart: number;
  /**
   * Everything before this distance from the middle, towards the viewer along y, is cut away; nothing when
   * undefined.
   */
  readonly cut: number | undefined;
  readonly hidden: ReadonlySet<string>;
}

/** A machine drawn in space, from data; it knows no machine. */
export interface SpaceView {
  readonly setLook: (look: SpaceLook) => void;
  readonly colour: (of: (item: SpaceItem) => string, ground: string) => void;
  readonly place: (places: ReadonlyMap<string, Stance>) => void;
  readonly resize: (width: number, height: number) => void;
  readonly render: () => void;
  readonly fit: () => void;
  readonly picture: () => Promise<Blob | null>;
  readonly triangles: number;
  readonly dispose: () => void;
}

const STRETCH = 3;
/** How far the faces of a cut are between the colour of their body and that of the ground. */
const CUT_FACE = 0.55;

/** Sets up a view on a canvas; throws where the browser draws no 3D. `changed` is called when the viewer turns it. */
export function spaceView(
  canvas: HTMLCanvasElement,
  scene: SpaceScene,
  bodies: ReadonlyMap<string, TriMesh>,
  changed: () => void,
): SpaceView {
  const renderer = new WebGLRenderer({
    canvas,
    antialias: window.devicePixelRatio < 2,
    preserveDrawingBuffer: false,
  });
  const world = new Scene();
  const camera = new PerspectiveCamera(32, 1, 1, 20000);
  camera.up.set(0, 0, 1);
  const lamp = new DirectionalLight(0xffffff, 1.6);
  world.add(new AmbientLight(0xffffff, 0.5), new HemisphereLight(0xffffff, 0x888888, 1), lamp);
  const geometries = new Map([...bodies].map(([id, mesh]) => [id, geometryOf(mesh)]));
  const middle = (scene.low + scene.high) / 2;
  const holders = new Map<string, Group>();
  /** The group that lies as the plan of an axis does. */
  function holderOf(axis: string): Group {
    const known = holders.get(axis);
    if (known) return known;
    const group = new Group();
    const frame = scene.frames.get(axis);
    if (frame) {
      const { origin: o, x, y, z } = frame;
      group.matrix.set(x.x, y.x, z.x, o.x, x.y, y.y, z.y, o.y, x.z, y.z, z.z, o.z, 0, 0, 0, 1);
      group.matrixAutoUpdate = false;
      group.matrixWorldNeedsUpdate = true;
    }
    world.add(group);
    holders.set(axis, group);
    return group;
  }
  const shown = scene.items.flatMap(item => {
    const geometry = geometries.get(item.body);
    if (!geometry) return [];
    const material = new MeshLambertMaterial({ flatShading: true });
    const body = new Mesh(geometry, material);
    // Where it is cut, what is seen of a closed body is its inside: drawn in one colour, that is the face of the cut.
    const face = new MeshBasicMaterial({ side: BackSide });
    const cap = new Mesh(geometry, face);
    cap.visible = false;
    const outer = new Group();
    for (const mesh of [body, cap]) {
      outer.add(mesh);
      mesh.position.x = item.out;
      if (item.over) mesh.rotation.x = Math.PI;
    }
    holderOf(item.axis).add(outer);
    return [
      { item, outer, body, cap, material, face, middle: scene.frames.get(item.axis)?.middle ?? middle },
    ];
  });
  const controls = new OrbitControls(camera, canvas);
  controls.addEventListener('change', changed);
  const knife = new Plane(new Vector3(0, 1, 0), 0);
  let look: SpaceLook = { apart: 0, cut: undefined, hidden: new Set() };
  const height = (z: number, from: number): number => from + (z - from) * (1 + STRETCH * look.apart);

  function fit(): void {
    world.updateMatrixWorld(true);
    const ball = new Box3().setFromObject(world).getBoundingSphere(new Sphere());
    const far = (ball.radius * 1.02) / Math.sin((camera.fov * Math.PI) / 360) / Math.min(1, camera.aspect);
    const { x, y, z } = ball.center;
    controls.target.set(x, y, z);
    camera.position.set(x + 0.35 * far, y - 0.62 * far, z + 0.7 * far);
    controls.update();
  }

  function place(places: ReadonlyMap<string, Stance>): void {
    for (const { item, outer, middle: from } of shown) {
      const stance = item.place === undefined ? undefined : places.get(item.place);
      const [x, y] = [(stance?.centre.x ?? 0) + item.at.x, (stance?.centre.y ?? 0) + item.at.y];
      outer.position.set(x, y, height(item.at.z, from));
      outer.rotation.z = item.spin + (stance?.angle ?? 0);
    }
  }

  return {
    setLook(next) {
      look = next;
      renderer.clippingPlanes = next.cut === undefined ? [] : [knife];
      knife.constant = -(scene.middle.y + (next.cut ?? 0));
      for (const { item, outer, cap } of shown) {
        outer.visible = !next.hidden.has(item.group) && !next.hidden.has(`layer ${item.layer}`);
        cap.visible = next.cut !== undefined;
      }
    },
    colour(of, ground) {
      renderer.setClearColor(new Color(ground));
      for (const { item, material, face } of shown) {
        material.color.set(of(item));
        face.color.set(of(item)).lerp(renderer.getClearColor(new Color()), CUT_FACE);
      }
    },
    place,
    resize(width, high) {
      renderer.setPixelRatio(Math.min(2, window.devicePixelRatio || 1));
      renderer.setSize(width, high, false);
      camera.aspect = width / Math.max(1, high);
      camera.updateProjectionMatrix();
    },
    render() {
      lamp.position.copy(camera.position);
      renderer.render(world, camera);
    },
    fit,
    picture: () =>
      new Promise(resolve => {
        lamp.position.copy(camera.position);
        renderer.render(world, camera);
        canvas.toBlob(resolve, 'image/png');
      }),
    triangles: shown.reduce((n, s) => n + (s.body.geometry.index?.count ?? 0) / 3, 0),
    dispose() {
      controls.dispose();
      for (const g of geometries.values()) g.dispose();
      for (const s of shown) {
        s.material.dispose();
        s.face.dispose();
      }
      renderer.dispose();
      renderer.forceContextLoss();
    },
  };
}

function geometryOf({ positions, triangles }: TriMesh): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  return geometry;
}
