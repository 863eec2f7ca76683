import type { Piece, Spot, Workshop } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { Box, Stack, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { floorColours } from '../pieces/SpotDrawing.tsx';
import { wallHex } from '../pieces/surface-patterns.tsx';
import { ballCloud, ballMaterial, lights } from './ball-cloud.ts';
import { FormedBalloon, PersonForSize, SolidShape } from './RoomThings.tsx';
import { roomOf } from './room.ts';
import { FOV, type StandpointId, standpointOf, standpoints } from './standpoints.ts';

interface RoundViewProps {
  spot: Spot;
  indoors: boolean;
  pieces: readonly Piece[];
  pictures: Readonly<Record<string, Picture>>;
  workshop: Workshop;
}

/** The spot in the round: what stands there as it will hang, from where guests and cameras see it, by day or evening light. */
export function RoundView({ spot, indoors, pieces, pictures, workshop }: RoundViewProps) {
  const [from, setFrom] = useState<StandpointId>('half-right');
  const [light, setLight] = useState<keyof typeof lights>('day');
  const room = useMemo(
    () => roomOf(pieces, pictures, workshop.colours),
    [pieces, pictures, workshop.colours],
  );
  const isIndoors = spot.indoors ?? indoors;
  const dark = light === 'evening';
  const wall = wallHex(spot);
  const floor = spot.floor ? floorColours[spot.floor] : isIndoors ? '#cfc4ad' : '#b9c3a0';
  return (
    <Stack sx={{ height: '100%', minHeight: 340, gap: 1 }}>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={from}
          aria-label="Stand"
          onChange={(_, next: StandpointId | null) => next && setFrom(next)}
          sx={{
            overflowX: 'auto',
            '& .MuiToggleButton-root': {
              py: 0.4,
              textTransform: 'none',
              whiteSpace: 'nowrap',
              flexShrink: 0,
            },
          }}
        >
          {standpoints.map(({ id, label }) => (
            <ToggleButton key={id} value={id}>
              {label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={light}
          aria-label="Light"
          onChange={(_, next: keyof typeof lights | null) => next && setLight(next)}
          sx={{ '& .MuiToggleButton-root': { py: 0.4, textTransform: 'none' } }}
        >
          <ToggleButton value="day">Day</ToggleButton>
          <ToggleButton value="evening">Evening</ToggleButton>
        </ToggleButtonGroup>
      </Stack>
      <Box
        role="img"
        aria-label={`${spot.name} in the round, ${room.balls.length + room.forms.length} balloons`}
        data-testid="round-view"
        sx={{ flexGrow: 1, minHeight: 300, touchAction: 'none', borderRadius: 1.25, overflow: 'hidden' }}
      >
        <Canvas
          frameloop="demand"
          camera={{ fov: FOV, near: 0.05, far: 200 }}
          gl={{ preserveDrawingBuffer: true }}
        >
          <color attach="background" args={[dark ? '#3a3646' : isIndoors ? '#f1ead9' : '#dfe9ee']} />
          <ambientLight intensity={dark ? 0.9 : 2.2} color={dark ? '#ffd7a8' : '#ffffff'} />
          <directionalLight
            position={[-2, 5, 4]}
            intensity={dark ? 0.8 : 1.2}
            color={dark ? '#ffc98a' : '#ffffff'}
          />
          <Eye spot={spot} from={from} />
          {spot.kind !== 'open-floor' && (
            <mesh position={[spot.widthM / 2, spot.heightM / 2, -0.005]}>
              <planeGeometry args={[spot.widthM, spot.heightM]} />
              <meshLambertMaterial color={wall} />
            </mesh>
          )}
          <mesh
            rotation={[-Math.PI / 2, 0, 0]}
            position={[spot.widthM / 2, -0.002, (spot.depthM ?? FLOOR_M) / 2]}
          >
            <planeGeometry args={[spot.widthM + 2, spot.depthM ?? FLOOR_M]} />
            <meshLambertMaterial color={floor} />
          </mesh>
          <PersonForSize x={spot.widthM + 0.4} z={0.3} />
          {room.shapes.map(({ shape, z }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no other name than their place
            <SolidShape key={i} shape={shape} z={z} colours={workshop.colours} />
          ))}
          {room.forms.map((form, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: as above
            <FormedBalloon key={i} form={form} />
          ))}
          <Balls room={room} light={light} />
        </Canvas>
      </Box>
    </Stack>
  );
}

/** Floor that is drawn where nobody has measured it, m. */
const FLOOR_M = 4;

/** All balls in one call. */
function Balls({ room, light }: { room: ReturnType<typeof roomOf>; light: keyof typeof lights }) {
  const cloud = useMemo(() => ballCloud(room.balls), [room.balls]);
  const paint = useMemo(() => ballMaterial(lights[light]), [light]);
  useEffect(() => () => cloud.dispose(), [cloud]);
  useEffect(() => () => paint.dispose(), [paint]);
  return <mesh geometry={cloud} material={paint} frustumCulled={false} />;
}

/** The eye where it was asked for, turned by dragging from there; a frame is drawn for each move and no other. */
function Eye({ spot, from }: { spot: Spot; from: StandpointId }) {
  const { camera, gl, invalidate, size } = useThree();
  const aspect = size.width / Math.max(1, size.height);
  const { widthM, heightM, photoFrom } = spot;
  useEffect(() => {
    const { eye, at } = standpointOf(from, { widthM, heightM, ...(photoFrom ? { photoFrom } : {}) }, aspect);
    camera.position.set(...eye);
    const controls = new OrbitControls(camera, gl.domElement);
    controls.target.set(...at);
    controls.maxPolarAngle = Math.PI / 2;
    controls.update();
    controls.addEventListener('change', () => invalidate());
    invalidate();
    return () => controls.dispose();
  }, [camera, gl, invalidate, from, widthM, heightM, photoFrom, aspect]);
  return null;
}
