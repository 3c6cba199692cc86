/** Who somebody is in the shop. */
export type Role = 'apprentice' | 'technician' | 'lead' | 'admin';
