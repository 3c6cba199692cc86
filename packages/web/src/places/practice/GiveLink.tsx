import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { http } from '../../api/http';
import { useMe } from '../../api/me';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { PRACTICE_KEY } from './use-practised';

/** An exercise to be given: its link, and who is to play it. */
export function GiveLink({ link }: { readonly link: string }) {
  const queries = useQueryClient();
  const me = useMe();
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  const [person, setPerson] = useState<string>();
  const [words, setWords] = useState('');
  const setting = useMutation({
    mutationFn: (of: string) =>
      http('POST /practice/set', { body: { person: of, code: link.split('/').at(-1)!, words: words.trim() } }),
    onSuccess: (now) => queries.setQueryData(PRACTICE_KEY, now),
  });
  return (
    <>
      <p>
        Its link: <Link to={link}>{link}</Link>{' '}
        <Button onClick={() => void navigator.clipboard.writeText(location.origin + link)}>Copy it</Button>
      </p>
      {me.data?.role === 'lead' && (
        <>
          <Choice
            label="Set it for"
            value={person}
            placeholder="Somebody…"
            options={(people.data ?? [])
              .filter(({ disabled }) => !disabled)
              .map(({ id, fullName }) => ({ value: id, label: fullName }))}
            onChange={setPerson}
          />
          <Field label="What for, until when" value={words} onChange={setWords} maxLength={200} />
          <Button loading={setting.isPending} disabled={person === undefined} onClick={() => setting.mutate(person!)}>
            Set it
          </Button>
          {setting.isError && <Notice kind="danger">{setting.error.message}</Notice>}
          {setting.isSuccess && <p role="status">It stands on their page of Practice.</p>}
        </>
      )}
    </>
  );
}
