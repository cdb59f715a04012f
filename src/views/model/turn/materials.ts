import {
  Color,
  DoubleSide,
  GLSL3,
  GreaterDepth,
  LessEqualDepth,
  RawShaderMaterial,
  Vector4,
  type IUniform,
} from 'three';

/** What all materials read: set once a frame. */
export type Shared = Record<'both' | 'pieces' | 'apart' | 'cut' | 'colours' | 'px', IUniform>;

/** A colour of the theme as it stands in the picture, without a conversion. */
export const rgb = (css: string): [number, number, number] => {
  const c = new Color().setStyle(css.trim() || '#888888', '');
  return [c.r, c.g, c.b];
};

const HEAD = `precision highp float; precision highp int; precision highp sampler2D;
uniform mat4 both; uniform sampler2D pieces; uniform float apart;
vec3 away(float i){ return apart * texelFetch(pieces, ivec2(0, int(i + .5)), 0).xyz; }
vec3 tone(float i){ return texelFetch(pieces, ivec2(1, int(i + .5)), 0).rgb; }
`;

/** Flat fills, one colour a piece; past the section nothing, and what is cut shows as a full face. */
export const fillMaterial = (shared: Shared) =>
  new RawShaderMaterial({
    glslVersion: GLSL3,
    uniforms: shared,
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 2,
    polygonOffsetUnits: 2,
    vertexShader: `${HEAD}in vec3 position; in float piece; flat out vec3 c; out vec3 at;
void main(){ c = tone(piece); at = position + away(piece); gl_Position = both * vec4(at, 1.); }`,
    fragmentShader: `precision highp float; flat in vec3 c; in vec3 at; uniform vec4 cut, colours[5]; out vec4 o;
void main(){ if (dot(cut.xyz, at) > cut.w) discard; o = vec4(gl_FrontFacing || dot(cut.xyz, cut.xyz) < .5 ? c : mix(c, colours[4].rgb, .55), 1.); }`,
  });

/** Lines that stand on the screen already; hidden ones where something lies before them. */
export const lineMaterial = (shared: Shared, where: 'before' | 'hidden' | 'over') =>
  new RawShaderMaterial({
    glslVersion: GLSL3,
    uniforms: shared,
    transparent: true,
    depthWrite: false,
    depthTest: where !== 'over',
    depthFunc: where === 'hidden' ? GreaterDepth : LessEqualDepth,
    side: DoubleSide,
    vertexShader: `precision highp float; in vec3 position; in vec3 look; in vec2 dashes;
out vec3 v; out float dash; flat out int tone;
void main(){ v = look; dash = dashes.y; tone = int(dashes.x + .5); gl_Position = vec4(position, 1.); }`,
    fragmentShader: `precision highp float; in vec3 v; in float dash; flat in int tone; uniform vec4 colours[5]; out vec4 o;
void main(){ if (dash > 0. && fract(v.z / (2. * dash)) > .58) discard;
float k = clamp(v.y + .5 - abs(v.x), 0., 1.); vec4 c = tone == 0 ? colours[0] : tone == 1 ? colours[1] : tone == 2 ? colours[2] : colours[3];
o = vec4(c.rgb, ${where === 'hidden' ? '.55 * ' : ''}k); }`,
  });

/** What two parts share: hatched on the screen, over everything. */
export const hatchMaterial = (shared: Shared) =>
  new RawShaderMaterial({
    glslVersion: GLSL3,
    uniforms: shared,
    transparent: true,
    depthTest: false,
    depthWrite: false,
    side: DoubleSide,
    vertexShader: `precision highp float; uniform mat4 both; in vec3 position; void main(){ gl_Position = both * vec4(position, 1.); }`,
    fragmentShader: `precision highp float; uniform vec4 colours[5]; uniform float px; out vec4 o;
void main(){ float d = abs(fract((gl_FragCoord.x + gl_FragCoord.y) / (7. * px)) - .5) * 7. * px; o = vec4(colours[3].rgb, max(.12, clamp(1.3 * px - d, 0., 1.))); }`,
  });

/** The colours that lines are drawn in, as the theme has them. */
export function themeColours(): Vector4[] {
  const css = getComputedStyle(document.documentElement);
  return ['--edge', '--ink', '--accent', '--fail', '--soft'].map((name) => {
    const [r, g, b] = rgb(css.getPropertyValue(name));
    return new Vector4(r, g, b, 1);
  });
}
