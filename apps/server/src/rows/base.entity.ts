import { Column, CreateDateColumn, PrimaryGeneratedColumn } from 'typeorm';

/** What every row has: an id, and the workshop it belongs to. */
export abstract class Owned {
  @PrimaryGeneratedColumn('uuid')
  id!: string;

  @Column('uuid', { name: 'workshop_id' })
  workshopId!: string;

  @CreateDateColumn({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
}
