/** HiGHS behind the port of the core, with branching of its own. */
export { loadHighsSolver } from './highsSolver';
