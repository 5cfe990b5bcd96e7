import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from '../account';
import { Person } from './entities';

/** Something that two records of one person are likely to share, see `blockKeys` in `core/matching`. */
@Entity('match_key')
@Index('match_key_person', ['personId'])
export class MatchKey {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'match_key_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'match_key_workspace_fk' })
  workspace?: Relation<Workspace>;
  @PrimaryColumn({ type: 'text', primaryKeyConstraintName: 'match_key_pkey' })
  key!: string;
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'match_key_pkey' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'match_key_person_fk' })
  person?: Relation<Person>;
}

/** Two people, or two cards of the tray, that somebody said are not the same; the smaller id first. */
@Entity('not_same')
export class NotSame {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'not_same_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'not_same_workspace_fk' })
  workspace?: Relation<Workspace>;
  @PrimaryColumn({ name: 'one_id', type: 'uuid', primaryKeyConstraintName: 'not_same_pkey' })
  oneId!: string;
  @PrimaryColumn({ name: 'other_id', type: 'uuid', primaryKeyConstraintName: 'not_same_pkey' })
  otherId!: string;
  @Column({ type: 'uuid' })
  by!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** Records of one person brought together, with all that is needed to part them again. */
@Entity('merge')
@Index('merge_into', ['intoId'])
@Index('merge_workspace', ['workspaceId'])
@Index('merge_others', { synchronize: false })
export class Merge {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'merge_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'merge_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'into_id', type: 'uuid' })
  intoId!: string;
  @Column({ name: 'other_ids', type: 'uuid', array: true })
  otherIds!: string[];
  /** What the others were called. */
  @Column({ type: 'text', array: true })
  names!: string[];
  @Column({ type: 'uuid' })
  by!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
  /** The version of the person after the merge: the same one means nothing changed since. */
  @Column({ name: 'after_version', type: 'integer' })
  afterVersion!: number;
  /** Rows as they were, by table. */
  @Column({ type: 'jsonb' })
  before!: object;
  @Column({ name: 'undone_at', type: 'timestamptz', nullable: true })
  undoneAt!: Date | null;
}

/** What a person agreed to, and until when. */
@Entity('consent')
@Index('consent_person', ['personId'])
@Index('consent_workspace', ['workspaceId'])
export class Consent {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'consent_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'consent_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'consent_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'text', array: true })
  channels!: ('email' | 'phone' | 'post')[];
  @Column({ type: 'text' })
  scope!: string;
  @Column({ type: 'text' })
  wording!: string;
  @Column({ type: 'text' })
  how!: 'spoken' | 'written' | 'onScreen' | 'onPage';
  @Column({ name: 'given_at', type: 'timestamptz' })
  givenAt!: Date;
  @Column({ type: 'uuid' })
  by!: string;
  @Column({ name: 'withdrawn_at', type: 'timestamptz', nullable: true })
  withdrawnAt!: Date | null;
}
