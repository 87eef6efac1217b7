import { m, type Message } from '../words/message';

/** Whom to call when somebody is hurt, by the shop's own numbers; without them that they are to be set. */
export const emergencyWords = (numbers: string): Message =>
  numbers === '' ? m('caution.emergency.none') : m('caution.emergency', { numbers });
