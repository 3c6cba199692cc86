import { Button, Modal } from 'antd';
import type { ReactNode } from 'react';
import { AntTheme } from './AntTheme';
import styles from './Dialog.module.css';

interface Props {
  readonly title: string;
  readonly onClose: () => void;
  /** The word on the button that does what the dialog is for; without one the dialog is only read and closed. */
  readonly action?: string;
  readonly onAction?: () => void;
  /** The action is under way: it cannot be asked for again. */
  readonly busy?: boolean;
  /** The action can be asked for. */
  readonly ready?: boolean;
  /** The word on the button that closes, when there is no action. */
  readonly close?: string;
  readonly width?: number;
  readonly children: ReactNode;
}

/** The one dialog of the product: over the page, closed by Escape, focus kept inside. */
export function Dialog({
  title,
  onClose,
  action,
  onAction,
  busy = false,
  ready = true,
  close = 'Close',
  width = 560,
  children,
}: Props) {
  return (
    <AntTheme>
      <Modal
        open
        title={title}
        onCancel={onClose}
        onOk={onAction}
        okText={action}
        confirmLoading={busy}
        okButtonProps={{ disabled: !ready }}
        {...(action === undefined
          ? {
              footer: (
                <Button type="primary" onClick={onClose}>
                  {close}
                </Button>
              ),
            }
          : {})}
        width={width}
        classNames={{ container: styles.sheet!, header: styles.title!, footer: styles.foot! }}
        style={{ top: '4vh' }}
      >
        {children}
      </Modal>
    </AntTheme>
  );
}
