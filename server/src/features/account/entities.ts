import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from './workspace';

@Entity('account')
@Index('account_email', ['email'], { unique: true })
@Index('account_workspace', ['workspaceId'])
export class Account {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'account_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'account_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'citext' })
  email!: string;
  @Column({ type: 'text' })
  role!: 'rep' | 'assistant' | 'manager' | 'administrator';
  /** Argon2id in PHC string form. */
  @Column({ name: 'password_hash', type: 'text' })
  passwordHash!: string;
  /** Since when it lets nobody in; what was done with it stays theirs to read. */
  @Column({ name: 'out_of_use_at', type: 'timestamptz', nullable: true })
  outOfUseAt!: Date | null;
}

@Entity('session')
@Index('session_account', ['accountId'])
export class AccountSession {
  /** SHA-256 of the cookie's token, so that a copy of the table opens no session. */
  @PrimaryColumn({ name: 'token_hash', type: 'bytea', primaryKeyConstraintName: 'session_pkey' })
  tokenHash!: Buffer;
  @Column({ name: 'account_id', type: 'uuid' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'session_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
  @Column({ name: 'expires_at', type: 'timestamptz' })
  expiresAt!: Date;
}
