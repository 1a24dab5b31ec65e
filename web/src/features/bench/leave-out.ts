import { useKept } from '../../doing/kept';

/** Attributes that are left out of what is recorded, until they are taken in again. */
export const useLeaveOut = () => useKept<string[]>('leave out', []);
