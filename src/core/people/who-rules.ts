import { mayManage, type Role } from '../actions/contract';

/**
 * Whether somebody may add, retire, unlock, sign out or give a new secret to somebody in a role: an owner
 * to all, a manager to those at the bench.
 */
export const mayRule = (role: Role, over: Role): boolean =>
  role === 'owner' || (mayManage(role) && over === 'hand');
