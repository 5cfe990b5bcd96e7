export {
  OpportunityActRecord, OpportunityFile, OpportunityNoteRecord, OpportunityPerson, OpportunityRecord, QualificationRecord, Stage,
} from './entities'; // prettier-ignore
export { pipelineRoutes } from './routes';
