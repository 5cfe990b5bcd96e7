import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Account } from './entities';
import { hashPassword } from './passwords';
import { Workspace } from './workspace';

export interface NewWorkspace {
  name: string;
  country: string;
  accounts: readonly { name: string; email: string; password: string; role: Account['role'] }[];
}

/**
 * Creates workspaces with their accounts; one whose first account exists already is left alone.
 * @param owner connection of the role that owns the tables
 */
export async function createAccounts(owner: DataSource, workspaces: readonly NewWorkspace[]): Promise<void> {
  for (const { name, country, accounts } of workspaces) {
    if (await owner.getRepository(Account).existsBy({ email: accounts[0]!.email })) continue;
    const rows = await Promise.all(
      accounts.map(async ({ password, ...account }) => ({
        ...account,
        id: uuidv7(),
        passwordHash: await hashPassword(password),
      })),
    );
    await owner.transaction(async (manager) => {
      const workspace = { id: uuidv7(), name, country };
      await manager.insert(Workspace, workspace);
      await manager.insert(
        Account,
        rows.map((row) => ({ ...row, workspaceId: workspace.id })),
      );
    });
  }
}
