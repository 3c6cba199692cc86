import { useRef, useState } from 'react';
import { type EventBody, PHOTO_KINDS, type PhotoKind } from '@zetalysis/core/visit';
import { whoIsHere } from '../../api/identity';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { keepPhoto } from '../../store/photos';
import styles from './Work.module.css';

/** Takes a photo, or one that was taken, into the call. */
export function TakePhoto({ call, onBody }: { call: string; onBody: (body: EventBody) => void }) {
  const file = useRef<HTMLInputElement>(null);
  const [kind, setKind] = useState<PhotoKind>();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const take = async (chosen: File): Promise<void> => {
    try {
      const photo = await keepPhoto(call, whoIsHere()!.name, chosen);
      onBody({ type: 'photo', photo, words: words.trim(), ...(kind !== undefined && { kind }) });
      setWords('');
      setKind(undefined);
      setProblem(undefined);
    } catch (error) {
      setProblem(`The photo is not kept: ${(error as Error).message}`);
    }
  };
  return (
    <div className={styles.row}>
      <Choice
        label="Photo of"
        placeholder="Anything"
        value={kind}
        options={PHOTO_KINDS.map((k) => ({ value: k, label: k }))}
        onChange={setKind}
      />
      <Field label="What is on it" maxLength={200} value={words} onChange={setWords} />
      <input
        ref={file}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label="Photo"
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          e.target.value = '';
          if (chosen) void take(chosen);
        }}
      />
      <Button onClick={() => file.current?.click()}>Take a photo</Button>
      {problem !== undefined && (
        <p role="alert" className="problem">
          {problem}
        </p>
      )}
    </div>
  );
}
