import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import type { Body, Frame, Lens, Mode } from '../../../kit/types';
import { plainVerdict, judge } from '../../../checks/judge';
import { asItStands, framePixels } from '../model/pixels';
import { constant, exactly } from '../../../build/given';
import { framingSqueeze } from '../../../build/circle';
import { say, exact } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';

export const coveragePixels: Check = {
  id: 'coverage.pixels',
  title: 'Pixels for the deliverable',
  short: 'too few pixels',
  says: 'How many pixels of the recording lie inside each delivery frame, after desqueeze, and how far they must be scaled to the deliverable.',
  formula: 'scale = max(deliverable w / (px w x squeeze), deliverable h / px h)',
  run(built) {
    const { body, mode, lens } = built;
    if (!body || !mode) return [];
    return built.frames.map((frame) => ofFrame(built, body, mode, lens, frame));
  },
};

function ofFrame(built: Built, body: Body, mode: Mode, lens: Lens | null, frame: Frame): Verdict {
  const about = [body.id, ...(lens ? [lens.id] : [])];
  const key = `coverage.pixels:${frame.id}`;
  if (!frame.deliver)
    return plainVerdict({
      id: 'coverage.pixels',
      key,
      about,
      frame: frame.id,
      state: 'unknown',
      why: `No delivery size is set for the ${frame.name} frame.`,
      sum: 'No sum: the size of the deliverable in pixels is missing.',
      basis: '[math]',
    });
  const px = framePixels(built, frame);
  const { w: dw, h: dh } = frame.deliver;
  const limit = built.rules['coverage.upscale'];
  const input = (label: string, field: string, value: number | null) => ({
    ...constant(label, 'px', value === null ? null : exactly(value)),
    path: ['kit', body.id, 'modes', mode.id, field],
    part: body.id,
  });
  return judge({
    id: 'coverage.pixels',
    key,
    about,
    frame: frame.id,
    station: 0,
    inputs: [
      input(`pixels wide of ${mode.name}`, 'pxW', px ? px.desqueezedW : (mode.pxW ?? null)),
      input(`pixels high of ${mode.name}`, 'pxH', px ? px.h : (mode.pxH ?? null)),
      ...(px ? [] : [built.squeeze]),
    ],
    margin: (x) => limit / Math.max(dw / x[0]!, dh / x[1]!) - 1,
    wanted: limit - 1,
    unit: 'x',
    limit: { value: limit, unit: 'x', rule: 'coverage.upscale' },
    why: (o) => whyOf(built, frame, px!, o.state),
    sum: () =>
      `scale = max(${dw} / ${Math.floor(px!.desqueezedW)}, ${dh} / ${Math.floor(px!.h)}) = ` +
      `${exact(Math.max(dw / px!.desqueezedW, dh / px!.h), 3)}; limit ${exact(limit, 2)}`,
    lacking: (missing) =>
      `The pixels inside the ${frame.name} frame are not known: ${missing} missing.`,
    basis: `[math] ${ruleBasis('coverage.upscale')}`,
  });
}

/** Whether a frame holds as many pixels as are delivered, in a sentence. */
function whyOf(
  built: Built,
  frame: Frame,
  px: NonNullable<ReturnType<typeof framePixels>>,
  state: State,
): string {
  const { w: dw, h: dh } = frame.deliver!;
  const limit = built.rules['coverage.upscale'];
  const have = `${px.says} px`;
  const wanted = asItStands(built, dw, dh);
  const recorded =
    framingSqueeze(built) === 1
      ? ''
      : ` (recorded ${Math.floor(px.w)} x ${Math.floor(px.h)}, desqueezed ${say(framingSqueeze(built), 'x')})`;
  const scale = Math.max(dw / px.desqueezedW, dh / px.h);
  const left = `The ${frame.name} frame holds ${have}${recorded}`;
  return state === 'ok'
    ? `${left}: enough for ${wanted}, scaled to ${exact(scale * 100, 0)} %.`
    : state === 'tight'
      ? `${left}: ${wanted} has to be scaled up ${say((scale - 1) * 100, '%')}.`
      : `${left}: ${wanted} would be scaled up ${say((scale - 1) * 100, '%')}, ${limit > 1 ? `more than the ${say((limit - 1) * 100, '%')} the house allows` : 'and the house allows none of it'}.`;
}
