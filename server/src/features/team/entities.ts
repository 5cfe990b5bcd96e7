import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';

/** A link by which one person comes in: as a new colleague, or again after a forgotten password. */
@Entity('access_link')
@Index('access_link_token', ['tokenHash'], { unique: true })
@Index('access_link_workspace', ['workspaceId'])
export class AccessLink {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'access_link_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'access_link_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Whose password it sets anew; null for somebody who has no account yet. */
  @Column({ name: 'account_id', type: 'uuid', nullable: true })
  accountId!: string | null;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'access_link_account_fk' })
  account?: Relation<Account>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'citext' })
  email!: string;
  @Column({ type: 'text' })
  role!: Account['role'];
  /** SHA-256 of what stands in the link, so that a copy of the table lets nobody in. */
  @Column({ name: 'token_hash', type: 'bytea' })
  tokenHash!: Buffer;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'access_link_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'expires_at', type: 'timestamptz' })
  expiresAt!: Date;
  @Column({ name: 'used_at', type: 'timestamptz', nullable: true })
  usedAt!: Date | null;
}
