import { Pagination } from 'antd';

interface Props {
  /** From 1. */
  readonly page: number;
  readonly size: number;
  readonly total: number;
  readonly onPage: (page: number) => void;
}

/** Below a list of which one page is shown: the others. */
export const Pages = ({ page, size, total, onPage }: Props) =>
  total > size && (
    <Pagination current={page} pageSize={size} total={total} showSizeChanger={false} onChange={(to) => onPage(to)} />
  );
