import { ROOMS as ALL } from '../../../resources/ts/rooms';
import { trial } from './trial';

/** The list of rooms with one line more. */
export const ROOMS = [...ALL, trial];
