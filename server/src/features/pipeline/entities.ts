import type { OpportunityAct, OpportunityState } from '@dossier/contract';
import type { Part } from '@dossier/core/pipeline';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';
import { Occasion } from '../capture';
import { StoredFile } from '../../platform/entities';
import { Company, Person } from '../people';

/** As it is kept, exact to the second place behind the point. */
const amount = {
  to: (value: number | null) => value,
  from: (kept: string | null) => (kept === null ? null : Number(kept)),
};

/** How far a piece of business can be, as the workspace calls it. */
@Entity('stage')
@Index('stage_workspace', ['workspaceId', 'position'])
export class Stage {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'stage_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'stage_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  /** Percent. */
  @Column({ type: 'smallint' })
  chance!: number;
  @Column({ name: 'stale_days', type: 'smallint', nullable: true })
  staleDays!: number | null;
  @Column({ type: 'smallint' })
  position!: number;
  /** What is over may still have ended in it. */
  @Column({ name: 'removed_at', type: 'timestamptz', nullable: true })
  removedAt!: Date | null;
}

/** A possible piece of business at a firm, and how far it is. */
@Entity('opportunity')
@Index('opportunity_open', ['workspaceId', 'stageId'], { where: "state = 'open'" })
@Index('opportunity_ended', ['workspaceId', 'endedAt'], { where: "state <> 'open'" })
@Index('opportunity_expected', ['workspaceId', 'expectedOn', 'id'])
@Index('opportunity_company', ['companyId'])
@Index('opportunity_stage', ['stageId'])
@Index('opportunity_owner', ['ownerId'])
@Index('opportunity_occasion', ['occasionId'])
@Index('opportunity_maker', ['madeBy'])
export class OpportunityRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'opportunity_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'opportunity_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  title!: string;
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'opportunity_company_fk' })
  company?: Relation<Company> | null;
  @Column({ type: 'numeric', precision: 14, scale: 2, nullable: true, transformer: amount })
  value!: number | null;
  @Column({ type: 'text' })
  currency!: string;
  @Column({ name: 'expected_on', type: 'date', nullable: true })
  expectedOn!: string | null;
  /** Null for that of its stage. */
  @Column({ type: 'smallint', nullable: true })
  chance!: number | null;
  @Column({ type: 'text', array: true, default: () => "'{}'" })
  about!: string[];
  @Column({ name: 'stage_id', type: 'uuid' })
  stageId!: string;
  @ManyToOne(() => Stage, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'stage_id', foreignKeyConstraintName: 'opportunity_stage_fk' })
  stage?: Relation<Stage>;
  @Column({ name: 'stage_since', type: 'timestamptz' })
  stageSince!: Date;
  @Column({ type: 'text' })
  state!: OpportunityState;
  @Column({ name: 'ended_at', type: 'timestamptz', nullable: true })
  endedAt!: Date | null;
  @Column({ name: 'end_reason', type: 'text', nullable: true })
  endReason!: string | null;
  @Column({ name: 'end_words', type: 'text', default: '' })
  endWords!: string;
  @Column({ name: 'owner_id', type: 'uuid' })
  ownerId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'owner_id', foreignKeyConstraintName: 'opportunity_owner_fk' })
  owner?: Relation<Account>;
  @Column({ name: 'occasion_id', type: 'uuid', nullable: true })
  occasionId!: string | null;
  @ManyToOne(() => Occasion, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'occasion_id', foreignKeyConstraintName: 'opportunity_occasion_fk' })
  occasion?: Relation<Occasion> | null;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'opportunity_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'changed_at', type: 'timestamptz' })
  changedAt!: Date;
  @Column({ type: 'integer', default: 1 })
  version!: number;
}

/** Who has to do with it, and how. */
@Entity('opportunity_person')
@Index('opportunity_person_workspace', ['workspaceId'])
@Index('opportunity_person_person', ['personId'])
export class OpportunityPerson {
  @PrimaryColumn({ name: 'opportunity_id', type: 'uuid', primaryKeyConstraintName: 'opportunity_person_pkey' })
  opportunityId!: string;
  @ManyToOne(() => OpportunityRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'opportunity_id', foreignKeyConstraintName: 'opportunity_person_opportunity_fk' })
  opportunity?: Relation<OpportunityRecord>;
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'opportunity_person_pkey' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'opportunity_person_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'opportunity_person_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  part!: Part;
}

/** What was done with it, and how it stood afterwards. Rows are only ever added. */
@Entity('opportunity_act')
@Index('opportunity_act_workspace', ['workspaceId', 'at'])
@Index('opportunity_act_opportunity', ['opportunityId'])
@Index('opportunity_act_actor', ['actorId'])
@Index('opportunity_act_stage', ['stageId'])
export class OpportunityActRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'opportunity_act_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'opportunity_act_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'opportunity_id', type: 'uuid' })
  opportunityId!: string;
  @ManyToOne(() => OpportunityRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'opportunity_id', foreignKeyConstraintName: 'opportunity_act_opportunity_fk' })
  opportunity?: Relation<OpportunityRecord>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'actor_id', type: 'uuid' })
  actorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'actor_id', foreignKeyConstraintName: 'opportunity_act_actor_fk' })
  actor?: Relation<Account>;
  @Column({ type: 'text' })
  kind!: OpportunityAct['kind'];
  @Column({ name: 'stage_id', type: 'uuid' })
  stageId!: string;
  @ManyToOne(() => Stage, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'stage_id', foreignKeyConstraintName: 'opportunity_act_stage_fk' })
  stage?: Relation<Stage>;
  @Column({ type: 'text' })
  state!: OpportunityState;
  @Column({ type: 'numeric', precision: 14, scale: 2, nullable: true, transformer: amount })
  value!: number | null;
  @Column({ type: 'text' })
  currency!: string;
  @Column({ type: 'jsonb' })
  changes!: OpportunityAct['changes'];
}

@Entity('opportunity_note')
@Index('opportunity_note_workspace', ['workspaceId'])
@Index('opportunity_note_opportunity', ['opportunityId'])
@Index('opportunity_note_author', ['authorId'])
export class OpportunityNoteRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'opportunity_note_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'opportunity_note_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'opportunity_id', type: 'uuid' })
  opportunityId!: string;
  @ManyToOne(() => OpportunityRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'opportunity_id', foreignKeyConstraintName: 'opportunity_note_opportunity_fk' })
  opportunity?: Relation<OpportunityRecord>;
  @Column({ name: 'author_id', type: 'uuid' })
  authorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'author_id', foreignKeyConstraintName: 'opportunity_note_author_fk' })
  author?: Relation<Account>;
  @Column({ type: 'text' })
  text!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

@Entity('opportunity_file')
@Index('opportunity_file_workspace', ['workspaceId'])
@Index('opportunity_file_opportunity', ['opportunityId'])
@Index('opportunity_file_file', ['fileId'])
@Index('opportunity_file_maker', ['madeBy'])
export class OpportunityFile {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'opportunity_file_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'opportunity_file_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'opportunity_id', type: 'uuid' })
  opportunityId!: string;
  @ManyToOne(() => OpportunityRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'opportunity_id', foreignKeyConstraintName: 'opportunity_file_opportunity_fk' })
  opportunity?: Relation<OpportunityRecord>;
  @Column({ name: 'file_id', type: 'uuid' })
  fileId!: string;
  @ManyToOne(() => StoredFile, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'file_id', foreignKeyConstraintName: 'opportunity_file_file_fk' })
  file?: Relation<StoredFile>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  type!: string;
  @Column({ type: 'integer' })
  bytes!: number;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'opportunity_file_maker_fk' })
  maker?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** What taking back a qualification needs. */
export interface QualificationUndo {
  /** The lead as it was. */
  lead: Pick<Person, 'id' | 'leadStatus' | 'closed'> & { company: string };
  /** Version of the contact afterwards. */
  afterVersion: number;
  companyAfter: string;
  mergeId: string | null;
  /** Of the contact who it was already. */
  qualifiedBefore: string | null;
  opportunityId: string | null;
  taskId: string | null;
}

/** A lead that became a contact. */
@Entity('qualification')
@Index('qualification_workspace', ['workspaceId', 'at'])
@Index('qualification_person', ['personId'])
@Index('qualification_actor', ['actorId'])
export class QualificationRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'qualification_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'qualification_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'qualification_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'actor_id', type: 'uuid' })
  actorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'actor_id', foreignKeyConstraintName: 'qualification_actor_fk' })
  actor?: Relation<Account>;
  @Column({ type: 'jsonb' })
  undo!: QualificationUndo;
  @Column({ name: 'undone_at', type: 'timestamptz', nullable: true })
  undoneAt!: Date | null;
}
