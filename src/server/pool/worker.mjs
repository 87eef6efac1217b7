// A worker thread's first file: from here on sources are read as they stand, in the built application as in the tests.
import { register } from 'tsx/esm/api';

register();
const { default: work } = await import('./jobs.worker.ts');
export default work;
