import { Link } from 'react-router';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ListedSession, Me } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { Form, Input } from 'antd';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import styles from './Account.module.css';
import { ShopLimits } from './ShopLimits';
import { ShopPaper } from './ShopPaper';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';

const day = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Where somebody is signed in, and their password. */
export default function Account({ me }: { me: Me }) {
  return (
    <Page
      title={me.fullName}
      actions={!me.mustChange && <Link to="/people">People of the shop</Link>}
      className={styles.account}
    >
      {me.mustChange ? (
        <Notice kind="caution">Somebody else knows your password. Choose your own; then everything opens.</Notice>
      ) : (
        <Block title="Signed in">
          <Sessions />
        </Block>
      )}
      <div className={styles.column}>
        <Block title="Password">
          <Password />
        </Block>
        {!me.mustChange && can(me, 'tighten') === '+' && (
          <>
            <Block title="Carbon monoxide: limits of the shop">
              <ShopLimits />
            </Block>
            <Block title="Paper and prices of the shop">
              <ShopPaper />
            </Block>
          </>
        )}
      </div>
    </Page>
  );
}

function Sessions() {
  const queries = useQueryClient();
  const sessions = useQuery({ queryKey: ['sessions'], queryFn: () => http('GET /sessions'), gcTime: 0 });
  const end = useMutation({
    mutationFn: ({ id }: ListedSession) => http('DELETE /sessions/:id', { params: { id } }),
    onSettled: () => queries.invalidateQueries({ queryKey: ['sessions'] }),
  });
  const error = end.error ?? sessions.error;
  return (
    <>
      {error && <Notice kind="problem">{error.message}</Notice>}
      <Table
        label="Sessions, scrolls sideways"
        rows={sessions.data ?? []}
        keyOf={(s) => s.id}
        loading={sessions.isPending}
        empty="None."
        columns={[
          { title: 'From', cell: (s) => s.from || 'unknown' },
          { title: 'Since', cell: (s) => day.format(new Date(s.startedAt)) },
          { title: 'Ends', cell: (s) => day.format(new Date(s.endsAt)) },
          {
            title: '',
            cell: (s) =>
              s.own ? <Status tone="good">this one</Status> : <Button onClick={() => end.mutate(s)}>End it</Button>,
          },
        ]}
      />
    </>
  );
}

interface Given {
  readonly old: string;
  readonly wanted: string;
}

function Password() {
  const queries = useQueryClient();
  const [form] = Form.useForm<Given>();
  const change = useMutation({
    mutationFn: (given: Given) => http('PUT /session/password', { body: given }),
    onSuccess: async () => {
      form.resetFields();
      await queries.invalidateQueries({ queryKey: ['me'] });
    },
  });
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      onFinish={(v: Given) => change.mutate(v)}
      style={{ maxWidth: '24rem' }}
    >
      <Form.Item name="old" label="Old password" rules={[{ required: true, message: 'Type the old password.' }]}>
        <Input.Password autoComplete="current-password" maxLength={200} />
      </Form.Item>
      <Form.Item
        name="wanted"
        label="New password"
        rules={[{ required: true, min: 10, message: 'At least 10 characters.' }]}
      >
        <Input.Password autoComplete="new-password" maxLength={200} />
      </Form.Item>
      {change.error && <Notice kind="problem">{change.error.message}</Notice>}
      {change.isSuccess && <p role="status">Changed. Every other session of yours has ended.</p>}
      <Button htmlType="submit" loading={change.isPending}>
        Change the password
      </Button>
    </Form>
  );
}
