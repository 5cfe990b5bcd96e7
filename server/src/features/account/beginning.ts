import { timingSafeEqual } from 'node:crypto';
import type { Beginning } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../../platform/problem';
import { hashSecret } from '../../platform/secret';
import { inWorkspace } from '../../platform/workspaceScope';
import { Account } from './entities';
import { hashPassword } from './passwords';
import { beginFirstWorkspace, isThereAWorkspace } from './queries';
import { openSession } from './service';

/** The one time that somebody comes in whom nobody has invited: where there is no team yet, with the code from the terminal. */
export class FirstTime {
  private begun = false;

  /** @param code undefined where nobody is to begin a team */
  constructor(
    private readonly database: DataSource,
    private readonly code: string | undefined,
  ) {}

  async isOpen(): Promise<boolean> {
    if (!this.code || this.begun) return false;
    this.begun = await isThereAWorkspace(this.database.manager);
    return !this.begun;
  }

  /**
   * Makes the workspace and its administrator.
   * @returns the cookie's token. @throws ProblemError 403 for another code, 409 once there is a team
   */
  async begin({ code, workspace, country, name, email, password }: Beginning): Promise<string> {
    if (!(await this.isOpen())) throw hasBegun();
    if (!timingSafeEqual(hashSecret(plain(code)), hashSecret(plain(this.code!))))
      throw new ProblemError(403, 'wrong-code', 'Not begun', 'This is not the code that the terminal shows.', [
        { path: 'code', message: 'Compare it with the terminal in which Dossier was started.' },
      ]);
    const passwordHash = await hashPassword(password);
    const [workspaceId, id] = [uuidv7(), uuidv7()];
    return inWorkspace(this.database, workspaceId, async (manager) => {
      if (!(await beginFirstWorkspace(manager, { id: workspaceId, name: workspace, country }))) throw hasBegun();
      await manager.insert(Account, { id, workspaceId, name, email, role: 'administrator', passwordHash });
      return openSession(manager, id);
    });
  }
}

/** As it is typed: in small letters, without the strokes. */
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

const hasBegun = (): ProblemError =>
  new ProblemError(
    409,
    'has-begun',
    'There is a team already',
    'A team has begun here. Sign in, or ask whoever runs it to invite you.',
  );
