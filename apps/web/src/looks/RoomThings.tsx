import type { Colour } from '@early-lantern/contract';
import type { DrawnShape } from '@early-lantern/core';
import { useEffect, useMemo } from 'react';
import { CanvasTexture, ExtrudeGeometry, Quaternion, Shape, Vector3 } from 'three';
import { PERSON_M } from '../pieces/Person.tsx';
import { boxTones, lineTones } from '../pieces/tones.ts';
import type { RoomForm } from './room.ts';

/** How deep things are, m: what lies flat against a wall hardly, a base as deep as it is wide. */
const depths: Record<keyof typeof boxTones, number> = {
  base: 0.4,
  cloth: 0.05,
  greenery: 0.08,
  board: 0.03,
  panel: 0.03,
  sign: 0.02,
  prop: 0.3,
};

/** A pipe, a string, a board or a cloth in the room. */
export function SolidShape({
  shape,
  z,
  colours,
}: {
  shape: DrawnShape;
  z: number;
  colours: readonly Colour[];
}) {
  if (shape.shape === 'line')
    return shape.points.slice(1).map((to, i) => {
      const from = shape.points[i] as typeof to;
      return (
        <Rod
          // biome-ignore lint/suspicious/noArrayIndexKey: a stretch has no other name than its place
          key={i}
          from={[from.x, from.y, z]}
          to={[to.x, to.y, z]}
          radius={shape.widthM / 2}
          colour={lineTones[shape.tone]}
        />
      );
    });
  const { xM, yM, widthM, heightM, tone } = shape;
  const own = colours.find(({ id }) => id === shape.colour)?.hex;
  return (
    <mesh position={[xM + widthM / 2, yM + heightM / 2, z]}>
      <boxGeometry args={[widthM, heightM, Math.min(depths[tone], Math.max(widthM, 0.02))]} />
      <meshLambertMaterial color={own ?? boxTones[tone]} />
    </mesh>
  );
}

interface RodProps {
  from: [number, number, number];
  to: [number, number, number];
  radius: number;
  colour: string;
}

function Rod({ from, to, radius, colour }: RodProps) {
  const [a, b] = [new Vector3(...from), new Vector3(...to)];
  const long = a.distanceTo(b);
  const turn = new Quaternion().setFromUnitVectors(UP, b.clone().sub(a).normalize());
  return (
    <mesh position={a.clone().add(b).multiplyScalar(0.5)} quaternion={turn}>
      <cylinderGeometry args={[radius, radius, long, 10]} />
      <meshLambertMaterial color={colour} />
    </mesh>
  );
}

const UP = new Vector3(0, 1, 0);

/** Somebody 5 ft 8 in. tall. */
export function PersonForSize({ x, z }: { x: number; z: number }) {
  return (
    <group position={[x, 0, z]}>
      {PERSON_PARTS.map(({ at, r, long, scale }) => (
        <mesh key={at.join()} position={at} scale={scale}>
          <capsuleGeometry args={[r, long, 6, 14]} />
          <meshLambertMaterial color="#8b91a1" />
        </mesh>
      ))}
    </group>
  );
}

/** Legs, body, arms, neck and head, m: capsules of a radius and a length between their round ends. */
const PERSON_PARTS: {
  at: [number, number, number];
  r: number;
  long: number;
  scale: [number, number, number];
}[] = [
  { at: [-0.09, 0.44, 0], r: 0.085, long: 0.7, scale: [1, 1, 1] },
  { at: [0.09, 0.44, 0], r: 0.085, long: 0.7, scale: [1, 1, 1] },
  { at: [0, 1.14, 0], r: 0.17, long: 0.3, scale: [1, 1, 0.62] },
  { at: [-0.22, 1.08, 0], r: 0.05, long: 0.52, scale: [1, 1, 1] },
  { at: [0.22, 1.08, 0], r: 0.05, long: 0.52, scale: [1, 1, 1] },
  { at: [0, 1.46, 0], r: 0.055, long: 0.06, scale: [1, 1, 1] },
  { at: [0, PERSON_M - 0.12, 0], r: 0.095, long: 0.05, scale: [0.9, 1, 1] },
];

/** A foil, a letter or a link: its own outline, puffed up. */
export function FormedBalloon({ form: { form, x, y, z, r, hex, text } }: { form: RoomForm }) {
  const puffed = useMemo(
    () => (form === 'star' || form === 'moon' ? puffedShape(form, r) : undefined),
    [form, r],
  );
  useEffect(() => () => puffed?.dispose(), [puffed]);
  if (puffed)
    return (
      <mesh geometry={puffed} position={[x, y, z - r * 0.15]}>
        <meshPhongMaterial color={hex} shininess={90} />
      </mesh>
    );
  if (form === 'letter') return <Letter at={[x, y, z]} r={r} hex={hex} text={text ?? ''} />;
  return (
    <mesh position={[x, y, z]} scale={[1.35, 0.8, 0.8]}>
      <sphereGeometry args={[r, 18, 14]} />
      <meshLambertMaterial color={hex} />
    </mesh>
  );
}

/** A star of five points or a crescent, as deep as foil puffs up. */
function puffedShape(form: 'star' | 'moon', r: number): ExtrudeGeometry {
  const outline = new Shape();
  if (form === 'star')
    for (let i = 0; i < 10; i++) {
      const angle = Math.PI / 2 + (i * Math.PI) / 5;
      const out = (i % 2 === 0 ? 1 : 0.48) * r;
      if (i === 0) outline.moveTo(Math.cos(angle) * out, Math.sin(angle) * out);
      else outline.lineTo(Math.cos(angle) * out, Math.sin(angle) * out);
    }
  else {
    outline.absarc(0, 0, r, 0.9, 2 * Math.PI - 0.9, false);
    outline.absarc(r * 0.5, 0, r * 0.8, 2 * Math.PI - 1.35, 1.35, true);
  }
  const bevel = r * 0.16;
  return new ExtrudeGeometry(outline, {
    depth: r * 0.2,
    bevelSize: bevel,
    bevelThickness: bevel,
    bevelOffset: -bevel,
    bevelSegments: 5,
    curveSegments: 24,
  });
}

function Letter({
  at,
  r,
  hex,
  text,
}: {
  at: [number, number, number];
  r: number;
  hex: string;
  text: string;
}) {
  const face = useMemo(() => {
    const paper = document.createElement('canvas');
    paper.width = paper.height = 128;
    const ink = paper.getContext('2d');
    if (ink) {
      ink.fillStyle = hex;
      ink.fillRect(0, 0, 128, 128);
      ink.fillStyle = '#1f2637';
      ink.font = 'bold 96px sans-serif';
      ink.textAlign = 'center';
      ink.textBaseline = 'middle';
      ink.fillText(text, 64, 70);
    }
    return new CanvasTexture(paper);
  }, [hex, text]);
  useEffect(() => () => face.dispose(), [face]);
  return (
    <mesh position={at}>
      <boxGeometry args={[r * 1.5, r * 2, r * 0.5]} />
      <meshLambertMaterial map={face} />
    </mesh>
  );
}
