import { useEffect, useRef, useState } from 'react';
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { t } from '../../words.ts';
import { themeColour } from '../state/themeColour.ts';
import type { CutResult } from '../workers/meshMessages.ts';
import { ZONE_PAINTS } from './zonePaints.ts';

/** Hatches drawn on the screen's own grid: pattern tells the zones apart where colour does not. */
const HATCHES = `
  vec2 hatchAt = gl_FragCoord.xy;
  float hatchLine = 1.0;
  if (uHatch == 1) hatchLine = step(2.0, mod(hatchAt.x + hatchAt.y, 9.0));
  if (uHatch == 2) hatchLine = step(2.0, mod(hatchAt.y, 8.0));
  if (uHatch == 3) hatchLine = step(2.0, mod(hatchAt.x - hatchAt.y, 9.0)) * step(2.0, mod(hatchAt.x + hatchAt.y, 9.0));
  if (uHatch == 4) hatchLine = step(1.8, length(mod(hatchAt, 8.0) - 4.0));
  if (uHatch == 5) hatchLine = step(2.0, mod(hatchAt.x, 8.0));
  diffuseColor.rgb *= mix(0.45, 1.0, hatchLine);
`;

function materialOf(colour: string, hatch: number): MeshLambertMaterial {
  const material = new MeshLambertMaterial({ color: new Color(colour), side: DoubleSide, flatShading: true });
  material.onBeforeCompile = (shader) => {
    shader.uniforms.uHatch = { value: hatch };
    shader.fragmentShader = shader.fragmentShader
      .replace('void main() {', 'uniform int uHatch;\nvoid main() {')
      .replace('#include <color_fragment>', `#include <color_fragment>\n${HATCHES}`);
  };
  // One program for all zones: the hatch is a figure handed to it, and compiling is what takes time.
  material.customProgramCacheKey = () => 'hatched';
  return material;
}

/** The faces of one zone; the boat's axes turned into the screen's (x forward, y up, z to starboard). */
function geometryOf({ corners, zone }: CutResult['likeness'], wanted: number): BufferGeometry | null {
  const faces = zone.reduce((count, each) => count + (each === wanted ? 1 : 0), 0);
  if (faces === 0) return null;
  const points = new Float32Array(faces * 9);
  let at = 0;
  zone.forEach((each, face) => {
    if (each !== wanted) return;
    for (let i = face * 9; i < face * 9 + 9; i += 3) {
      points[at++] = corners[i] as number;
      points[at++] = corners[i + 2] as number;
      points[at++] = corners[i + 1] as number;
    }
  });
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(points, 3));
  return geometry;
}

/** The surface in the round, its zones coloured and hatched; turned by mouse, touch and arrow keys. */
export function MeshView({ result, lengthM, label }: { result: CutResult; lengthM: number; label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let renderer: WebGLRenderer;
    try {
      renderer = new WebGLRenderer({ antialias: true, alpha: true });
    } catch {
      setFailed(true);
      return;
    }
    const scene = new Scene();
    scene.add(new AmbientLight(0xffffff, 1.5));
    const sun = new DirectionalLight(0xffffff, 2);
    sun.position.set(0.4, 1, 0.7);
    scene.add(sun);
    const geometries = [...new Set(result.likeness.zone)].flatMap((index) => {
      const geometry = geometryOf(result.likeness, index);
      const part = result.zones[index]?.zone;
      const { hatch, colour } = part ? ZONE_PAINTS[part] : { hatch: 0, colour: '--st-bare' };
      return geometry ? [{ geometry, material: materialOf(themeColour(colour), hatch) }] : [];
    });
    for (const { geometry, material } of geometries) scene.add(new Mesh(geometry, material));
    const camera = new PerspectiveCamera(35, 2, lengthM / 100, lengthM * 20);
    camera.position.set(lengthM * 0.9, lengthM * 0.28, lengthM * 1.05);
    const controls = new OrbitControls(camera, renderer.domElement);
    controls.target.set(lengthM / 2, 0, 0);
    controls.listenToKeyEvents(element);
    controls.keyPanSpeed = 20;
    const draw = () => renderer.render(scene, camera);
    const resize = () => {
      const { clientWidth: width, clientHeight: height } = element;
      renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
      renderer.setSize(width, height);
      camera.aspect = width / Math.max(1, height);
      camera.updateProjectionMatrix();
      draw();
    };
    controls.addEventListener('change', draw);
    element.append(renderer.domElement);
    const watch = new ResizeObserver(resize);
    watch.observe(element);
    controls.update();
    resize();
    return () => {
      watch.disconnect();
      controls.dispose();
      for (const { geometry, material } of geometries) {
        geometry.dispose();
        material.dispose();
      }
      renderer.dispose();
      renderer.domElement.remove();
    };
  }, [result, lengthM]);
  if (failed) {
    return (
      <p className="p-4">{t`This browser can’t show 3-D graphics (WebGL is off). The lines drawing below shows the boat.`}</p>
    );
  }
  return (
    <div
      ref={box}
      role="img"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: turned with the arrow keys
      tabIndex={0}
      aria-label={label}
      className="h-96 w-full touch-none overflow-hidden"
    />
  );
}
