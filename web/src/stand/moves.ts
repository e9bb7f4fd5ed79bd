import type { Plan } from './lanes';

type Move = Plan['moves'][number];

/** The change to each note from the one before it on the page, by its id. */
export const onPage = (plan: Plan) =>
  new Map(plan.moves.filter((m) => m.way === 'ON').map((m) => [m.toId, m]));

/** The changes that are told of a note: how it is reached, and where a sign leads from it. */
export const told = (plan: Plan, id: string): Move[] =>
  plan.moves.filter((m) => m.toId === id || (m.way !== 'ON' && m.fromId === id));
