import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { PlanStep } from '@dossier/contract';
import type { Course, Ending, Happening } from '@dossier/core/followup';
import { Account, Workspace } from '../../account';
import { Occasion } from '../../capture';
import { Person } from '../../people';

/** What is done after filing, with days between. */
@Entity('plan')
@Index('plan_workspace', ['workspaceId'])
export class PlanRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'plan_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'plan_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'integer' })
  version!: number;
  @Column({ name: 'is_on', type: 'boolean' })
  isOn!: boolean;
  @Column({ name: 'start_tag', type: 'text', nullable: true })
  startTag!: string | null;
  /** Whoever got the tag before then is not put into it. */
  @Column({ name: 'tag_from', type: 'timestamptz', nullable: true })
  tagFrom!: Date | null;
  @Column({ name: 'removed_at', type: 'timestamptz', nullable: true })
  removedAt!: Date | null;
}

/** Somebody who is to be in a plan, or out of it again, as a change of many has asked. */
@Entity('plan_wish')
@Index('plan_wish_workspace', ['workspaceId'])
@Index('plan_wish_plan', ['planId'])
@Index('plan_wish_person', ['personId'])
@Index('plan_wish_maker', ['madeBy'])
export class PlanWish {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'plan_wish_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'plan_wish_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'plan_id', type: 'uuid' })
  planId!: string;
  @ManyToOne(() => PlanRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'plan_id', foreignKeyConstraintName: 'plan_wish_plan_fk' })
  plan?: Relation<PlanRecord>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'plan_wish_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'plan_wish_maker_fk' })
  maker?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  /** Whether they are to be in it, or out of it again. */
  @Column({ type: 'boolean' })
  begins!: boolean;
}

/** A plan as it was: whoever is in it stays on theirs. */
@Entity('plan_version')
@Index('plan_version_workspace', ['workspaceId'])
@Index('plan_version_by', ['by'])
export class PlanVersion {
  @PrimaryColumn({ name: 'plan_id', type: 'uuid', primaryKeyConstraintName: 'plan_version_pkey' })
  planId!: string;
  @ManyToOne(() => PlanRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'plan_id', foreignKeyConstraintName: 'plan_version_plan_fk' })
  plan?: Relation<PlanRecord>;
  @PrimaryColumn({ type: 'integer', primaryKeyConstraintName: 'plan_version_pkey' })
  version!: number;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'plan_version_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'jsonb' })
  steps!: PlanStep[];
  @Column({ name: 'stops_at', type: 'text', array: true })
  stopsAt!: Happening[];
  @Column({ type: 'uuid' })
  by!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'by', foreignKeyConstraintName: 'plan_version_by_fk' })
  account?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** Somebody in a plan. */
@Entity('enrolment')
@Index('enrolment_once', ['planId', 'personId'], { unique: true, where: "status <> 'ended'" })
@Index('enrolment_due', ['dueAt'], { where: "status = 'running'" })
@Index('enrolment_person', ['personId'])
@Index('enrolment_workspace', ['workspaceId'])
@Index('enrolment_occasion', ['occasionId'])
@Index('enrolment_starter', ['startedBy'])
export class EnrolmentRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'enrolment_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'enrolment_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'plan_id', type: 'uuid' })
  planId!: string;
  @ManyToOne(() => PlanRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'plan_id', foreignKeyConstraintName: 'enrolment_plan_fk' })
  plan?: Relation<PlanRecord>;
  @Column({ type: 'integer' })
  version!: number;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'enrolment_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'occasion_id', type: 'uuid', nullable: true })
  occasionId!: string | null;
  @ManyToOne(() => Occasion, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'occasion_id', foreignKeyConstraintName: 'enrolment_occasion_fk' })
  occasion?: Relation<Occasion> | null;
  /** What was noted when it began: the only note that a message can carry. */
  @Column({ name: 'note_line', type: 'text', default: '' })
  noteLine!: string;
  @Column({ type: 'text' })
  status!: Course['status'];
  @Column({ type: 'text', nullable: true })
  ending!: Ending | null;
  @Column({ name: 'next_step', type: 'uuid', nullable: true })
  nextStep!: string | null;
  /** From when the next step’s wait is counted. */
  @Column({ type: 'timestamptz' })
  since!: Date;
  /** Whether that wait is over because somebody said so. */
  @Column({ type: 'boolean', default: false })
  hurried!: boolean;
  @Column({ type: 'text', array: true, default: () => "'{}'" })
  happened!: Happening[];
  @Column({ name: 'due_at', type: 'timestamptz', nullable: true })
  dueAt!: Date | null;
  /** Why its next message is not let through. */
  @Column({ type: 'text', nullable: true })
  held!: string | null;
  @Column({ name: 'held_at', type: 'timestamptz', nullable: true })
  heldAt!: Date | null;
  @Column({ name: 'started_at', type: 'timestamptz' })
  startedAt!: Date;
  @Column({ name: 'started_by', type: 'uuid' })
  startedBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'started_by', foreignKeyConstraintName: 'enrolment_starter_fk' })
  starter?: Relation<Account>;
  @Column({ name: 'ended_at', type: 'timestamptz', nullable: true })
  endedAt!: Date | null;
}
