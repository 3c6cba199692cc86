import { useRef, useState } from 'react';
import type { EventBody } from '@zetalysis/core/visit';
import { whoIsHere } from '../../api/identity';
import { Button } from '../../kit/Button';
import { keepPhoto } from '../../store/photos';

/** Takes a photo, or one that was taken, into the call. */
export function TakePhoto({ call, onBody }: { call: string; onBody: (body: EventBody) => void }) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const take = async (chosen: File): Promise<void> => {
    try {
      onBody({ type: 'photo', photo: await keepPhoto(call, whoIsHere()!.name, chosen), words: '' });
      setProblem(undefined);
    } catch (error) {
      setProblem(`The photo is not kept: ${(error as Error).message}`);
    }
  };
  return (
    <>
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
    </>
  );
}
