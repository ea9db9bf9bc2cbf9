import { useEffect, useRef, useState } from "react";
import {
  AmbientLight,
  BackSide,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  EdgesGeometry,
  FrontSide,
  Group,
  Line,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  Plane,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from "three";
import { OrbitControls } from "three/addons/controls/OrbitControls.js";
import { STLLoader } from "three/addons/loaders/STLLoader.js";
import { Toggles } from "./form/toggles";
import { text } from "./text";

type Ends = number[][];
type Axis = "X" | "Y" | "Z";
const NORMAL: Record<Axis, [number, number, number]> = { X: [-1, 0, 0], Y: [0, -1, 0], Z: [0, 0, -1] };
// Corners this near a plane lie in it.
const IN_PLANE_MM = 0.02;

/** Where the eye stands: the drawing's own view, so that the two pictures agree. */
const FROM = new Vector3(1, -1.15, 0.85).normalize();

/** The mesh itself, to turn and to cut; the active feature is marked on it, and faces can be picked. */
export default function Solid({
  url,
  label,
  ends = null,
  picked = [],
  pick,
}: {
  url: string;
  label: string;
  ends?: Ends | null;
  /** Triangles whose faces are marked. */
  picked?: number[];
  pick?: (triangle: number) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const stage = useRef<Stage | null>(null);
  const [failed, setFailed] = useState("");
  const [axis, setAxis] = useState<Axis>("X");
  const [cut, setCut] = useState(100);
  const picking = useRef(pick);
  picking.current = pick;
  // biome-ignore lint/correctness/useExhaustiveDependencies: marks and cuts are set on the standing stage below
  useEffect(() => {
    const host = box.current!;
    let gone = false;
    let made: Stage | null = null;
    setFailed("");
    fetch(url)
      .then(async (r) => {
        if (!r.ok) throw new Error();
        return r.arrayBuffer();
      })
      .then((bytes) => {
        if (gone) return;
        made = new Stage(host, new STLLoader().parse(bytes), (t) => picking.current?.(t));
        stage.current = made;
        made.mark(ends, picked);
        made.section(axis, cut / 100);
      })
      .catch(() => !gone && setFailed(text.the3dViewCannotBe));
    return () => {
      gone = true;
      made?.close();
      stage.current = null;
    };
  }, [url]);
  useEffect(() => stage.current?.mark(ends, picked), [ends, picked]);
  useEffect(() => stage.current?.section(axis, cut / 100), [axis, cut]);
  return (
    <figure className="flex h-full min-h-0 flex-col">
      {failed ? (
        <p className="p-3 text-small text-ink-2">{failed}</p>
      ) : (
        <div ref={box} role="img" aria-label={label} className="min-h-0 flex-1 cursor-grab touch-none" />
      )}
      <figcaption className="flex items-center gap-2 pt-1 text-small text-ink-2">
        <span>{text.cutAlong}</span>
        <Toggles
          label={text.cutAlong}
          value={axis}
          options={(["X", "Y", "Z"] as const).map((a) => ({ value: a, name: a }))}
          change={setAxis}
          item="num"
        />
        <input
          type="range"
          min={1}
          max={100}
          value={cut}
          aria-label={text.cutAlong2(axis)}
          onChange={(e) => setCut(Number(e.target.value))}
          className="min-w-0 flex-1"
        />
      </figcaption>
    </figure>
  );
}

/** One scene in one box; drawn only when something changes, which keeps software rendering quick. */
class Stage {
  private renderer: WebGLRenderer;
  private scene = new Scene();
  private camera = new PerspectiveCamera(30, 1, 1, 5000);
  private controls: OrbitControls;
  private plane = new Plane(new Vector3(-1, 0, 0), 0);
  private mesh: Mesh;
  private marks = new Group();
  private size: ResizeObserver;
  private low: Vector3;
  private high: Vector3;
  private colours: { front: Color; cut: Color; ink: Color; needle: Color };
  private asked = 0;

  constructor(host: HTMLElement, geometry: BufferGeometry, pick: (triangle: number) => void) {
    const token = (name: string) => new Color(getComputedStyle(host).getPropertyValue(name).trim());
    this.colours = {
      front: token("--solid-2"),
      cut: token("--brass"),
      ink: token("--ink"),
      needle: token("--needle"),
    };
    this.renderer = new WebGLRenderer({ antialias: true, alpha: true });
    this.renderer.localClippingEnabled = true;
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
    host.append(this.renderer.domElement);
    this.renderer.domElement.style.cssText = "display:block;width:100%;height:100%";
    geometry.computeBoundingBox();
    this.low = geometry.boundingBox!.min.clone();
    this.high = geometry.boundingBox!.max.clone();
    const count = geometry.getAttribute("position").count;
    geometry.setAttribute("color", new BufferAttribute(new Float32Array(3 * count), 3));
    // Pushed back a little, so that edges are drawn whole and the inside does not shine through at the rim.
    const back = (by: number) => ({ polygonOffset: true, polygonOffsetFactor: by, polygonOffsetUnits: by });
    const clipped = { clippingPlanes: [this.plane] };
    this.mesh = new Mesh(
      geometry,
      new MeshLambertMaterial({ vertexColors: true, side: FrontSide, ...clipped, ...back(1) }),
    );
    this.scene.add(this.mesh);
    // What is seen of the inside is the cut: one flat colour fills it.
    this.scene.add(
      new Mesh(
        geometry,
        new MeshBasicMaterial({ color: this.colours.cut, side: BackSide, ...clipped, ...back(3) }),
      ),
    );
    this.scene.add(
      new LineSegments(
        new EdgesGeometry(geometry, 25),
        new LineBasicMaterial({ color: this.colours.ink, transparent: true, opacity: 0.55, ...clipped }),
      ),
    );
    const lamp = new DirectionalLight(0xffffff, 2.4);
    this.scene.add(new AmbientLight(0xffffff, 1.5), lamp, this.marks);
    const middle = this.low.clone().add(this.high).multiplyScalar(0.5);
    const reach = this.high.distanceTo(this.low);
    this.camera.up.set(0, 0, 1);
    const narrow = Math.max(1, 1.15 / (host.clientWidth / Math.max(1, host.clientHeight)));
    this.camera.position.copy(middle).addScaledVector(FROM, reach * 2.05 * narrow);
    this.controls = new OrbitControls(this.camera, this.renderer.domElement);
    this.controls.target.copy(middle);
    this.controls.addEventListener("change", () => {
      lamp.position.copy(this.camera.position);
      this.draw();
    });
    this.controls.update();
    lamp.position.copy(this.camera.position).add(new Vector3(0, 0, reach));
    this.size = new ResizeObserver(() => {
      const { clientWidth: w, clientHeight: h } = host;
      if (!w || !h) return;
      this.renderer.setSize(w, h, false);
      this.camera.aspect = w / h;
      this.camera.updateProjectionMatrix();
      this.draw();
    });
    this.size.observe(host);
    this.listen(pick);
  }

  /** Marks a feature between its ends, and the faces of picked triangles. */
  mark(ends: Ends | null | undefined, picked: number[]) {
    const colour = this.mesh.geometry.getAttribute("color") as BufferAttribute;
    for (let i = 0; i < colour.count; i++)
      colour.setXYZ(i, this.colours.front.r, this.colours.front.g, this.colours.front.b);
    for (const t of picked) {
      const [at, normal] = this.triangle(t);
      this.paint(colour, at, normal);
    }
    this.marks.clear();
    if (ends && ends.length === 2) {
      const [a, b] = ends.map((e) => new Vector3(...(e as [number, number, number]))) as [Vector3, Vector3];
      const along = b.clone().sub(a);
      if (along.length() > 0) {
        this.paint(colour, a, along.clone().normalize());
        this.paint(colour, b, along.clone().normalize());
        const line = new LineBasicMaterial({ color: this.colours.needle, depthTest: false });
        this.marks.add(new Line(new BufferGeometry().setFromPoints([a, b]), line));
      }
      const dot = new SphereGeometry(this.high.distanceTo(this.low) / 90, 12, 8);
      const skin = new MeshBasicMaterial({ color: this.colours.needle, depthTest: false });
      for (const end of [a, b]) {
        const ball = new Mesh(dot, skin);
        ball.position.copy(end);
        this.marks.add(ball);
      }
    }
    colour.needsUpdate = true;
    this.draw();
  }

  section(axis: Axis, share: number) {
    const k = "XYZ".indexOf(axis);
    const low = this.low.getComponent(k);
    const high = this.high.getComponent(k);
    this.plane.normal.set(...NORMAL[axis]);
    // The whole part stays when nothing is cut away.
    this.plane.constant = share >= 1 ? high + 1 : low + (high - low) * share;
    this.draw();
  }

  close() {
    this.size.disconnect();
    this.controls.dispose();
    this.mesh.geometry.dispose();
    this.renderer.dispose();
    this.renderer.domElement.remove();
    cancelAnimationFrame(this.asked);
  }

  private draw() {
    cancelAnimationFrame(this.asked);
    this.asked = requestAnimationFrame(() => this.renderer.render(this.scene, this.camera));
  }

  private triangle(t: number): [Vector3, Vector3] {
    const place = this.mesh.geometry.getAttribute("position");
    const [a, b, c] = [0, 1, 2].map((k) => new Vector3().fromBufferAttribute(place, 3 * t + k)) as [
      Vector3,
      Vector3,
      Vector3,
    ];
    return [a, b.sub(a).cross(c.sub(a)).normalize()];
  }

  /** Colours the triangles in the plane through `at` with this normal. */
  private paint(colour: BufferAttribute, at: Vector3, normal: Vector3) {
    const place = this.mesh.geometry.getAttribute("position");
    const level = at.dot(normal);
    const corner = new Vector3();
    for (let t = 0; t < place.count / 3; t++) {
      let inside = true;
      for (let k = 0; k < 3 && inside; k++)
        inside = Math.abs(corner.fromBufferAttribute(place, 3 * t + k).dot(normal) - level) < IN_PLANE_MM;
      if (inside)
        for (let k = 0; k < 3; k++)
          colour.setXYZ(3 * t + k, this.colours.needle.r, this.colours.needle.g, this.colours.needle.b);
    }
  }

  private listen(pick: (triangle: number) => void) {
    const canvas = this.renderer.domElement;
    let from = { x: 0, y: 0 };
    canvas.addEventListener("pointerdown", (e) => {
      from = { x: e.clientX, y: e.clientY };
    });
    canvas.addEventListener("pointerup", (e) => {
      // A drag turns the part; only a click picks.
      if (Math.hypot(e.clientX - from.x, e.clientY - from.y) > 4) return;
      const r = canvas.getBoundingClientRect();
      const ray = new Raycaster();
      ray.setFromCamera(
        new Vector2(((e.clientX - r.left) / r.width) * 2 - 1, 1 - ((e.clientY - r.top) / r.height) * 2),
        this.camera,
      );
      const hit = ray.intersectObject(this.mesh).find((h) => this.plane.distanceToPoint(h.point) >= -1e-6);
      if (hit?.faceIndex != null) pick(hit.faceIndex);
    });
  }
}
