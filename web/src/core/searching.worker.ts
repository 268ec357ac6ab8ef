import { expose } from 'comlink';
import { boot } from './boot';
import { searchesWith } from './searching';

expose(searchesWith(boot()));
