import type { Scope } from '@dossier/core/account';
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

/** Lets a program in, in the name of whoever made it. */
@Entity('api_token')
@Index('api_token_hash', ['tokenHash'], { unique: true })
@Index('api_token_workspace', ['workspaceId'])
@Index('api_token_account', ['accountId'])
export class ApiTokenRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'api_token_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'api_token_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'account_id', type: 'uuid' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'api_token_account_fk' })
  account?: Relation<Account>;
  @Column({ type: 'text' })
  name!: string;
  /** SHA-256, so that a copy of the table lets nobody in. */
  @Column({ name: 'token_hash', type: 'bytea' })
  tokenHash!: Buffer;
  @Column({ type: 'text', array: true })
  scopes!: Scope[];
  @Column({ name: 'per_minute', type: 'integer' })
  perMinute!: number;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** Null for until it is revoked. */
  @Column({ name: 'ends_at', type: 'timestamptz', nullable: true })
  endsAt!: Date | null;
  /** To the minute. */
  @Column({ name: 'last_used_at', type: 'timestamptz', nullable: true })
  lastUsedAt!: Date | null;
}
