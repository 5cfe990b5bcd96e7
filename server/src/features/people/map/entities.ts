import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';

/** Where something is that no gazetteer knows, or that several places are called: as the team has said. */
@Entity('own_place')
@Index('own_place_once', ['workspaceId', 'country', 'town', 'postal'], { unique: true })
@Index('own_place_maker', ['madeBy'])
export class OwnPlaceRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'own_place_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'own_place_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  country!: string;
  /** Folded; empty where the postal code alone says it. */
  @Column({ type: 'text' })
  town!: string;
  /** Folded beginning of postal codes; empty for all of the town. */
  @Column({ type: 'text' })
  postal!: string;
  /** As they were written. */
  @Column({ type: 'text' })
  label!: string;
  @Column({ name: 'postal_label', type: 'text' })
  postalLabel!: string;
  @Column({ type: 'float8' })
  lat!: number;
  @Column({ type: 'float8' })
  lon!: number;
  @Column({ name: 'made_by', type: 'uuid', nullable: true })
  madeBy!: string | null;
  @ManyToOne(() => Account, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'own_place_maker_fk' })
  maker?: Relation<Account> | null;
}
