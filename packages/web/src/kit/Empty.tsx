import { Empty as AntEmpty } from 'antd';
import type { ReactNode } from 'react';

/** Stands where nothing is, and says so. */
export const Empty = ({ children }: { readonly children: ReactNode }) => (
  <AntEmpty image={AntEmpty.PRESENTED_IMAGE_SIMPLE} description={children} />
);
