import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';
import { Person } from '../people';

/** A link that shows a person to whoever has it, until its time is over or somebody takes it back. */
@Entity('share')
@Index('share_token', ['tokenHash'], { unique: true })
@Index('share_person', ['personId'])
@Index('share_workspace', ['workspaceId'])
@Index('share_maker', ['madeBy'])
export class ShareLink {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'share_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'share_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'share_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'token_hash', type: 'bytea' })
  tokenHash!: Buffer;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'share_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'ends_at', type: 'timestamptz' })
  endsAt!: Date;
  @Column({ type: 'integer', default: 0 })
  opened!: number;
  @Column({ name: 'opened_at', type: 'timestamptz', nullable: true })
  openedAt!: Date | null;
}
