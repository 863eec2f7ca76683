import type { LoadedItem, VehicleLoad } from '@early-lantern/contract';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BoxGeometry, EdgesGeometry, Vector3 } from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { looks } from './kinds.ts';

interface LoadInDepthProps {
  load: VehicleLoad;
  items: readonly LoadedItem[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}

type Box = Pick<LoadedItem, 'x' | 'y' | 'z' | 'l' | 'w' | 'h'>;

/** Millimetres of the load to metres of the picture: its middle on the floor, its left side towards whoever looks. */
const middleOf = ({ x, y, z, l, w, h }: Box, room: VehicleLoad['room']): [number, number, number] => [
  (x + l / 2 - room.l / 2) / 1000,
  (z + h / 2) / 1000,
  (room.w / 2 - y - w / 2) / 1000,
];

/** A vehicle's load in three dimensions, drawn when something changes: turned by dragging, nearer by the wheel. */
export function LoadInDepth({ load, items, chosen, onChoose }: LoadInDepthProps) {
  const { room, blocked } = load;
  const far = (room.l + room.w + room.h) / 1000;
  return (
    <div
      role="img"
      aria-label={`${load.name} in three dimensions, ${items.length} things loaded`}
      style={{ height: 440, touchAction: 'none' }}
      data-testid="load-in-depth"
    >
      <Canvas
        frameloop="demand"
        camera={{ position: [far * 0.5, far * 0.46, far * 0.72], fov: 34 }}
        gl={{ preserveDrawingBuffer: true }}
      >
        <color attach="background" args={['#f7f1e3']} />
        <ambientLight intensity={1.6} />
        <directionalLight position={[2, 5, 3]} intensity={1.6} />
        <Turning height={room.h / 2000} />
        <Outline box={{ x: 0, y: 0, z: 0, l: room.l, w: room.w, h: room.h }} room={room} colour="#1f2637" />
        {blocked.map((box) => (
          <Solid key={`${box.label} ${box.x} ${box.y}`} box={box} room={room} fill="#c9bb9d" />
        ))}
        {items.map((item) => (
          <Solid
            key={item.id}
            box={item}
            room={room}
            fill={looks[item.kind].fill}
            isChosen={item.id === chosen}
            onClick={() => onChoose(item.id)}
          />
        ))}
      </Canvas>
    </div>
  );
}

/** The edges of a box. */
function Outline({ box, room, colour }: { box: Box; room: VehicleLoad['room']; colour: string }) {
  const { l, w, h } = box;
  const edges = useMemo(() => {
    const solid = new BoxGeometry(l / 1000, h / 1000, w / 1000);
    const found = new EdgesGeometry(solid);
    solid.dispose();
    return found;
  }, [l, w, h]);
  useEffect(() => () => edges.dispose(), [edges]);
  return (
    <lineSegments geometry={edges} position={middleOf(box, room)}>
      <lineBasicMaterial color={colour} />
    </lineSegments>
  );
}

interface SolidProps {
  box: Box;
  room: VehicleLoad['room'];
  fill: string;
  isChosen?: boolean;
  onClick?: () => void;
}

/** A box with its edges, a hair smaller than it is so that neighbours are told apart. */
function Solid({ box, room, fill, isChosen = false, onClick }: SolidProps) {
  const { l, w, h } = box;
  return (
    <>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: no element of the page; the list beside it does the same */}
      <mesh
        position={middleOf(box, room)}
        onClick={(event) => {
          event.stopPropagation();
          onClick?.();
        }}
      >
        <boxGeometry args={[l / 1000 - 0.006, h / 1000 - 0.006, w / 1000 - 0.006]} />
        <meshLambertMaterial color={isChosen ? '#1b6468' : fill} />
      </mesh>
      <Outline box={box} room={room} colour={isChosen ? '#1b6468' : '#3b4256'} />
    </>
  );
}

/** Turning and coming nearer; a frame is drawn for each move and no other. */
function Turning({ height }: { height: number }) {
  const { camera, gl, invalidate } = useThree();
  useEffect(() => {
    const controls = new OrbitControls(camera, gl.domElement);
    controls.target = new Vector3(0, height, 0);
    controls.maxPolarAngle = Math.PI / 2;
    controls.update();
    controls.addEventListener('change', () => invalidate());
    invalidate();
    return () => controls.dispose();
  }, [camera, gl, invalidate, height]);
  return null;
}
