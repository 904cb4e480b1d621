/** Before the first browser test: the demo is sown once, for all workers. */
import { makeTemplate } from './app.js';

export default makeTemplate;
