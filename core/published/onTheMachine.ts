/** What is read on a machine with one known fault, by family and fault (onTheMachine.json says where it is from). */
import told from './onTheMachine.json' with { type: 'json' };

type Read = Readonly<Record<string, string>>;
interface Told {
  readonly like?: readonly (keyof typeof told.shared)[];
  readonly read: Read;
  readonly learnt?: Read;
}

export const READ_ON_THE_MACHINE: Readonly<Record<string, Read>> = Object.fromEntries(
  Object.entries(told.families as Readonly<Record<string, Told>>).map(([family, { like = [], read, learnt }]) => [
    family,
    Object.assign({}, ...like.map((part) => told.shared[part]), read, learnt) as Read,
  ]),
);
