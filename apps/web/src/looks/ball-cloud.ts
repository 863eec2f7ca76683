import {
  Color,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  PlaneGeometry,
  ShaderMaterial,
  Vector3,
} from 'three';
import type { RoomBall } from './room.ts';

/** How a finish is drawn: a number that the shader knows. */
const FINISH: Record<RoomBall['finish'], number> = { matte: 0, pearl: 1, mirror: 2, clear: 3, marbled: 4 };

/**
 * All balls as one thing to draw: of each a square that faces the viewer, on which the shader paints the ball that the
 * line of sight meets. Thousands take one call.
 */
export function ballCloud(balls: readonly RoomBall[]): InstancedBufferGeometry {
  const square = new PlaneGeometry(2, 2);
  const cloud = new InstancedBufferGeometry();
  cloud.index = square.index;
  cloud.setAttribute('position', square.getAttribute('position'));
  const tint = new Color();
  // The hex value itself: light is mixed as the flat picture mixes it.
  const tints = balls.flatMap(({ hex }) => {
    tint.setStyle(hex, '');
    return [tint.r, tint.g, tint.b];
  });
  const row = (values: number[], size: number) =>
    new InstancedBufferAttribute(Float32Array.from(values), size);
  cloud.setAttribute(
    'centre',
    row(
      balls.flatMap(({ x, y, z }) => [x, y, z]),
      3,
    ),
  );
  cloud.setAttribute(
    'radius',
    row(
      balls.map(({ r }) => r),
      1,
    ),
  );
  cloud.setAttribute('tint', row(tints, 3));
  cloud.setAttribute(
    'finish',
    row(
      balls.map(({ finish }) => FINISH[finish]),
      1,
    ),
  );
  cloud.instanceCount = balls.length;
  return cloud;
}

/** Light that a piece is looked at in. */
export interface Light {
  /** Towards where it comes from, and its colour. */
  from: [number, number, number];
  colour: [number, number, number];
  ambient: number;
}

export const lights: Record<'day' | 'evening', Light> = {
  day: { from: [-0.5, 0.8, 0.75], colour: [1, 1, 0.98], ambient: 0.62 },
  evening: { from: [0.35, 0.75, 0.55], colour: [1, 0.88, 0.72], ambient: 0.44 },
};

/** The shader that paints balls. */
export const ballMaterial = ({ from, colour, ambient }: Light): ShaderMaterial =>
  new ShaderMaterial({
    vertexShader: `
      attribute vec3 centre; attribute float radius; attribute vec3 tint; attribute float finish;
      varying vec3 vAt; varying vec3 vCentre; varying float vRadius; varying vec3 vTint; varying float vFinish;
      void main() {
        vec3 middle = (modelViewMatrix * vec4(centre, 1.0)).xyz;
        float far = length(middle);
        vec3 sight = middle / far;
        vec3 right = normalize(cross(sight, vec3(0.0, 1.0, 0.0)));
        vec3 up = cross(right, sight);
        // Near by, more of the square is needed than the ball is wide.
        float wide = radius * far / sqrt(max(far * far - radius * radius, 1e-4));
        vAt = middle + (right * position.x + up * position.y) * wide;
        vCentre = middle; vRadius = radius; vTint = tint; vFinish = finish;
        gl_Position = projectionMatrix * vec4(vAt, 1.0);
      }`,
    fragmentShader: `
      uniform vec3 sun; uniform vec3 warmth; uniform float ambient;
      uniform mat4 projectionMatrix;
      varying vec3 vAt; varying vec3 vCentre; varying float vRadius; varying vec3 vTint; varying float vFinish;
      void main() {
        vec3 ray = normalize(vAt);
        float along = dot(ray, vCentre);
        float inside = along * along - dot(vCentre, vCentre) + vRadius * vRadius;
        // The edge is softened over one point.
        float edge = clamp(inside / max(fwidth(inside), 1e-9) + 0.5, 0.0, 1.0);
        if (edge <= 0.0) discard;
        vec3 hit = ray * (along - sqrt(max(inside, 0.0)));
        vec3 normal = (hit - vCentre) / vRadius;
        vec3 to = normalize(mat3(viewMatrix) * sun);
        float lit = 0.5 + 0.5 * dot(normal, to);
        float shine = max(0.0, dot(reflect(-to, normal), -ray));
        float rim = 1.0 - max(0.0, dot(normal, -ray));
        bool isPearl = vFinish > 0.5 && vFinish < 1.5;
        bool isMirror = vFinish > 1.5 && vFinish < 2.5;
        bool isClear = vFinish > 2.5 && vFinish < 3.5;
        bool isMarbled = vFinish > 3.5;
        vec3 own = vTint;
        if (isMarbled) {
          float vein = sin(9.0 * normal.x + 5.0 * sin(6.0 * normal.y) + 4.0 * normal.z);
          own = mix(own, vec3(1.0), 0.32 * smoothstep(0.1, 0.9, vein));
        }
        // Clear ones let every other point through, but for their edge.
        if (isClear && rim < 0.55 && mod(floor(gl_FragCoord.x) + floor(gl_FragCoord.y), 2.0) > 0.5) discard;
        float gloss = isMirror ? 26.0 : isPearl ? 9.0 : 16.0;
        float strength = isMirror ? 0.62 : isPearl ? 0.34 : 0.2;
        if (isMirror) lit = mix(lit, smoothstep(0.25, 0.85, lit), 0.7);
        vec3 shaded = own * (ambient + (1.0 - ambient) * lit * lit * 1.25) * warmth;
        shaded += warmth * strength * pow(shine, gloss);
        shaded *= 1.0 - 0.28 * pow(rim, 3.0);
        gl_FragColor = vec4(min(shaded, vec3(1.0)), edge);
        vec4 clip = projectionMatrix * vec4(hit, 1.0);
        gl_FragDepth = 0.5 * clip.z / clip.w + 0.5;
      }`,
    uniforms: {
      sun: { value: new Vector3(...from) },
      warmth: { value: new Vector3(...colour) },
      ambient: { value: ambient },
    },
    toneMapped: false,
    alphaToCoverage: true,
  });
