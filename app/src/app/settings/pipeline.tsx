export { PipelineSection as default } from '@/features/pipeline';
