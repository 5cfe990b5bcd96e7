import type { Action, NoteKind, PersonSource } from '@dossier/contract';
import type { MoreEntry } from '@dossier/core/people';
import type { LeadClosed } from '@dossier/core/people/changes';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';

/** The record of somebody: a lead or a contact. */
@Entity('person')
@Index('person_list', ['workspaceId', 'sortName', 'id'], { where: 'deleted_at IS NULL' })
@Index('person_owner', ['ownerId'])
@Index('person_unindexed', ['workspaceId', 'keysVersion'])
@Index('person_unseen', ['workspaceId', 'filedByItselfAt'], { where: 'filed_by_itself_at IS NOT NULL' })
@Index('person_name_trigrams', { synchronize: false })
@Index('person_filed', { synchronize: false })
@Index('person_leads', { synchronize: false })
@Index('person_deleted', ['workspaceId', 'deletedAt'], { where: 'deleted_at IS NOT NULL' })
export class Person {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'person_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'person_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  kind!: 'contact' | 'lead';
  @Column({ name: 'owner_id', type: 'uuid' })
  ownerId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'owner_id', foreignKeyConstraintName: 'person_owner_fk' })
  owner?: Relation<Account>;
  @Column({ type: 'text', array: true, default: () => "'{}'" })
  tags!: string[];
  @Column({ type: 'text' })
  prefix!: string;
  @Column({ name: 'given_name', type: 'text' })
  givenName!: string;
  @Column({ name: 'middle_name', type: 'text' })
  middleName!: string;
  @Column({ name: 'family_name', type: 'text' })
  familyName!: string;
  @Column({ type: 'text' })
  suffix!: string;
  @Column({ name: 'full_name', type: 'text' })
  fullName!: string;
  /** What lists are ordered by: family name first, folded. */
  @Column({ name: 'sort_name', type: 'text' })
  sortName!: string;
  @Column({ type: 'text' })
  street!: string;
  @Column({ name: 'postal_code', type: 'text' })
  postalCode!: string;
  @Column({ type: 'text' })
  locality!: string;
  @Column({ type: 'text' })
  region!: string;
  /** Fields with a name of their own. */
  @Column({ type: 'jsonb', default: () => "'[]'" })
  more!: MoreEntry[];
  @Column({ type: 'text' })
  country!: string;
  /** How they came to be here: by a photographed card, by text typed or pasted, by a file. */
  @Column({ type: 'text', default: 'card' })
  source!: PersonSource;
  /** In the workspace's own words. */
  @Column({ type: 'text', nullable: true })
  rating!: string | null;
  /** How far a lead is, in the workspace's own words. */
  @Column({ name: 'lead_status', type: 'text', nullable: true })
  leadStatus!: string | null;
  /** Why and since when a lead is closed. */
  @Column({ type: 'jsonb', nullable: true })
  closed!: LeadClosed | null;
  /** When a lead became a contact. */
  @Column({ name: 'qualified_at', type: 'timestamptz', nullable: true })
  qualifiedAt!: Date | null;
  @Column({ type: 'integer' })
  version!: number;
  /** Which way of making match keys this person's were made by; 0 for none yet. */
  @Column({ name: 'keys_version', type: 'smallint', default: 0 })
  keysVersion!: number;
  /** When it was filed without a person; null once somebody has looked at it. */
  @Column({ name: 'filed_by_itself_at', type: 'timestamptz', nullable: true })
  filedByItselfAt!: Date | null;
  /** Deleted people are kept for a while, to be brought back. */
  @Column({ name: 'deleted_at', type: 'timestamptz', nullable: true })
  deletedAt!: Date | null;
  @Column({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
  @Column({ name: 'updated_at', type: 'timestamptz' })
  updatedAt!: Date;
}

/** A firm; one record for all who work there. */
@Entity('company')
@Index('company_name_key', ['workspaceId', 'nameKey'], { unique: true, where: 'merged_into IS NULL' })
@Index('company_any_name_key', ['workspaceId', 'nameKey'])
@Index('company_match_key', ['workspaceId', 'matchKey', 'legalForm'])
@Index('company_merged_into', ['mergedInto'], { where: 'merged_into IS NOT NULL' })
@Index('company_words', { synchronize: false })
@Index('company_order', { synchronize: false })
@Index('company_latest', { synchronize: false })
export class Company {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'company_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  /** The name as lists are ordered by it; the database writes it. */
  @Column({ name: 'sort_name', type: 'text', default: '', insert: false, update: false, select: false })
  sortName!: string;
  /** The name folded to letters and digits. */
  @Column({ name: 'name_key', type: 'text' })
  nameKey!: string;
  /** What spellings of one firm share, see `companyFormOf`. */
  @Column({ name: 'match_key', type: 'text', default: '' })
  matchKey!: string;
  /** Its legal form, folded; two firms of one name are told apart by it. */
  @Column({ name: 'legal_form', type: 'text', default: '' })
  legalForm!: string;
  /** The firm that this one was found to be: its name is another spelling of that one's. */
  @Column({ name: 'merged_into', type: 'uuid', nullable: true })
  mergedInto!: string | null;
  @ManyToOne(() => Company, { onDelete: 'CASCADE', deferrable: 'INITIALLY IMMEDIATE' })
  @JoinColumn({ name: 'merged_into', foreignKeyConstraintName: 'company_merged_into_fk' })
  now?: Relation<Company> | null;
  @Column({ type: 'integer', default: 1 })
  version!: number;
}

/** An older name of a firm, or another way of writing it. */
@Entity('company_name')
@Index('company_name_name_key', ['workspaceId', 'nameKey'], { unique: true })
@Index('company_name_match_key', ['workspaceId', 'matchKey', 'legalForm'])
@Index('company_name_company', ['companyId'])
@Index('company_name_words', { synchronize: false })
export class CompanyName {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'company_name_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_name_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'company_id', type: 'uuid' })
  companyId!: string;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'company_name_company_fk' })
  company?: Relation<Company>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ name: 'name_key', type: 'text' })
  nameKey!: string;
  @Column({ name: 'match_key', type: 'text' })
  matchKey!: string;
  @Column({ name: 'legal_form', type: 'text' })
  legalForm!: string;
}

/** A person's job, the current one or a former one. */
@Entity('employment')
@Index('employment_person', ['personId'])
@Index('employment_company', ['companyId'])
@Index('employment_workspace', ['workspaceId'])
@Index('employment_current', ['personId'], { unique: true, where: 'ended_at IS NULL' })
@Index('employment_present', ['workspaceId', 'companyId', 'personId'], { where: 'ended_at IS NULL' })
export class Employment {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'employment_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'employment_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'employment_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'employment_company_fk' })
  company?: Relation<Company> | null;
  @Column({ type: 'text' })
  title!: string;
  @Column({ type: 'text' })
  department!: string;
  @Column({ name: 'started_at', type: 'timestamptz' })
  startedAt!: Date;
  /** Null for the current job. */
  @Column({ name: 'ended_at', type: 'timestamptz', nullable: true })
  endedAt!: Date | null;
}

/** One way to reach a person. */
@Entity('contact_point')
@Index('contact_point_key', ['workspaceId', 'kind', 'key'])
@Index('contact_point_person', ['personId', 'position'])
@Index('contact_point_mailboxes', { synchronize: false })
export class ContactPoint {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'contact_point_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'contact_point_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'contact_point_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'text' })
  kind!: 'email' | 'phone' | 'website';
  @Column({ type: 'text' })
  value!: string;
  /** What equal addresses and numbers share, see `core/matching`. */
  @Column({ type: 'text' })
  key!: string;
  @Column({ name: 'phone_kind', type: 'text', nullable: true })
  phoneKind!: 'work' | 'mobile' | 'fax' | null;
  @Column({ type: 'text' })
  extension!: string;
  @Column({ type: 'integer' })
  position!: number;
}

@Entity('note')
@Index('note_person', ['personId', 'at'])
@Index('note_workspace', ['workspaceId'])
@Index('note_author', ['authorId'])
export class Note {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'note_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'note_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'note_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'author_id', type: 'uuid' })
  authorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'author_id', foreignKeyConstraintName: 'note_author_fk' })
  author?: Relation<Account>;
  /** What it is of. */
  @Column({ type: 'text', default: 'note' })
  kind!: NoteKind;
  @Column({ type: 'text' })
  text!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'changed_at', type: 'timestamptz', nullable: true })
  changedAt!: Date | null;
}

/** What was done to a person, by whom, from which card. Rows are only ever added. */
@Entity('change_log')
@Index('change_log_person', { synchronize: false })
@Index('change_log_workspace', ['workspaceId'])
@Index('change_log_actor', ['actorId'])
export class ChangeLogEntry {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'change_log_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'change_log_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  /** Null for what nobody of the team did: they themselves, or a plan. */
  @Column({ name: 'actor_id', type: 'uuid', nullable: true })
  actorId!: string | null;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'actor_id', foreignKeyConstraintName: 'change_log_actor_fk' })
  actor?: Relation<Account> | null;
  @Column({ name: 'card_id', type: 'uuid', nullable: true })
  cardId!: string | null;
  @Column({ type: 'text' })
  action!: Action;
  @Column({ type: 'jsonb' })
  changes!: { field: string; before: string; after: string }[];
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** The answer given to a filing, kept so that a repeated request gets the same one. */
@Entity('filing_receipt')
@Index('filing_receipt_card', ['cardId'])
export class FilingReceipt {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'filing_receipt_pkey' })
  workspaceId!: string;
  @PrimaryColumn({ type: 'text', primaryKeyConstraintName: 'filing_receipt_pkey' })
  key!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'filing_receipt_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'card_id', type: 'uuid' })
  cardId!: string;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @Column({ type: 'text' })
  outcome!: 'created' | 'updated' | 'newJob';
  @Column({ type: 'timestamptz' })
  at!: Date;
}
