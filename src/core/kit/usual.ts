import { saidOfInterface } from '../areas/joints/kit/said';
import { usualInterfaces } from '../areas/joints/kit/usual';
import { saidOfPort, usualPorts } from '../areas/power/kit/usual';

/**
 * Rows that a part of a kind usually has, by the key of their field: apart from the fields, for a part
 * is drawn long before somebody asks for them.
 */
export const USUAL: Readonly<Record<string, (kind: string) => readonly { name: string }[]>> = {
  interfaces: usualInterfaces,
  ports: usualPorts,
};

/** How a row is said in a few words, by the key of its field. */
export const ROW_SAID: Readonly<Record<string, (row: never) => string>> = {
  interfaces: saidOfInterface,
  ports: saidOfPort,
};
