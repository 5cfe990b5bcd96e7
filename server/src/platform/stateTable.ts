import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';
import { conflict } from './problem';

/** From each state, the states that may follow. */
export type Transitions<S extends string> = Readonly<Record<S, readonly S[]>>;

interface Stateful<S extends string> extends ObjectLiteral {
  id: string;
  state: S;
}

/**
 * The one way to change the state of rows: a table of what may follow what, and one update that looks at the state again as it
 * writes, so that what happened in between is not overwritten.
 */
export class StateTable<S extends string, E extends Stateful<S>> {
  constructor(
    private readonly entity: EntityTarget<E>,
    private readonly transitions: Transitions<S>,
    private readonly gone: string,
  ) {}

  may(from: S, to: S): boolean {
    return from === to || this.transitions[from].includes(to);
  }

  /** States from which one may come to another, itself included. */
  before(to: S): S[] {
    return (Object.keys(this.transitions) as S[]).filter((from) => this.may(from, to));
  }

  /**
   * Changes a row's state, and other columns with it.
   * @throws ProblemError 409 when the row is in a state from which that cannot follow, or gone
   */
  async move(manager: EntityManager, id: string, to: S, columns: Partial<E> = {}): Promise<void> {
    if (!(await this.moveIfMay(manager, id, to, columns))) throw conflict('other-state', this.gone);
  }

  /** @returns whether the row was in a state from which that could follow */
  async moveIfMay(manager: EntityManager, id: string, to: S, columns: Partial<E> = {}): Promise<boolean> {
    const { affected } = await manager
      .createQueryBuilder()
      .update(this.entity)
      .set({ ...columns, state: to } as never)
      .where('id = :id and state = any(:states)', { id, states: this.before(to) })
      .execute();
    return (affected ?? 0) > 0;
  }
}
