import type { Rig, Frame } from '../../../kit/types';
import type { Edit } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import { exact } from '../../../quantity/say';

export function setMode(rig: Rig, mode: { id: string; name: string }): Edit {
  return { title: `Record in ${mode.name}`, changes: [{ path: at(rig, 'mode'), value: mode.id }] };
}

export function setFocal(rig: Rig, focal: number): Edit {
  return {
    title: `Zoom to ${focal} mm`,
    changes: [{ path: at(rig, 'focal'), value: focal }],
    group: `zoom ${rig.id}`,
  };
}

export function setStop(rig: Rig, stop: number | undefined): Edit {
  return {
    title: stop === undefined ? 'Work wide open' : `Work at T${stop}`,
    changes: [{ path: at(rig, 'stop'), value: stop }],
  };
}

/** Turns the camera on its side, or level again. */
export function setUpright(rig: Rig, upright: Rig['upright']): Edit {
  return {
    title: upright === undefined ? 'Camera level' : `Camera upright, its ${upright} side on top`,
    changes: [{ path: at(rig, 'upright'), value: upright }],
  };
}

export function setFocus(rig: Rig, focus: number | undefined): Edit {
  return {
    title: focus === undefined ? 'Focus at infinity' : `Focus at ${focus / 1000} m`,
    changes: [{ path: at(rig, 'focus'), value: focus }],
  };
}

export function putFrame(rig: Rig, frame: Frame): Edit {
  return {
    title: `Frame for ${frame.name}`,
    changes: [{ path: at(rig, 'frames', frame.id), value: frame }],
  };
}

export function takeFrame(rig: Rig, frame: Frame): Edit {
  return {
    title: `Take the ${frame.name} frame away`,
    changes: [{ path: at(rig, 'frames', frame.id), value: undefined }],
  };
}

export function scaleFrame(rig: Rig, frame: Frame, scale: number): Edit {
  return {
    title: `Scale the ${frame.name} frame to ${exact(scale * 100, 1)} %`,
    changes: [
      { path: at(rig, 'frames', frame.id, 'scale'), value: scale === 1 ? undefined : scale },
    ],
  };
}
