import { Form, Input } from 'antd';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { http } from '../../api/http';
import { arrive } from '../../api/identity';
import { endOldSession } from '../../api/me';
import { AntTheme } from '../../kit/AntTheme';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import styles from './SignIn.module.css';

const AGAIN_MS = 5000;

export default function SignIn() {
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [search] = useSearchParams();
  // Whoever signed out without the server: their session is ended as soon as it can be reached.
  useQuery({
    queryKey: ['ending'],
    queryFn: () => endOldSession().then(() => null),
    refetchInterval: AGAIN_MS,
    gcTime: 0,
  });
  const submit = async (given: { name: string; password: string }) => {
    setBusy(true);
    setProblem(undefined);
    try {
      // Its answer would take the new cookie away.
      await endOldSession();
      const { me, key } = await http('POST /session', { body: given });
      arrive(me, key);
      const to = search.get('to') ?? '/';
      // A new page: what is kept here for this person is read from the start.
      location.replace(/^\/(?!\/)/.test(to) ? to : '/');
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <AntTheme>
      <main className={styles.signIn}>
        <h1>
          <img src="/icon.svg" alt="" width="40" height="40" /> Zetalysis
        </h1>
        <p>Follow the burner&rsquo;s sequence. Find the part that breaks it.</p>
        <Form
          layout="vertical"
          onFinish={(v: { name: string; password: string }) => void submit(v)}
          requiredMark={false}
        >
          <Form.Item name="name" label="Name" rules={[{ required: true, message: 'Type your name.' }]}>
            <Input autoComplete="username" autoFocus />
          </Form.Item>
          <Form.Item name="password" label="Password" rules={[{ required: true, message: 'Type your password.' }]}>
            <Input.Password autoComplete="current-password" />
          </Form.Item>
          {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
          <Button tone="main" htmlType="submit" block loading={busy}>
            Sign in
          </Button>
        </Form>
        <p className="fine">
          Gas and electrical work is for licensed or qualified persons. Local code and the maker&rsquo;s instructions
          come first.
        </p>
      </main>
    </AntTheme>
  );
}
