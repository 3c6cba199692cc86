import type { ProfileSummary } from '@zetalysis/contract';
import { useState } from 'react';
import { Block } from '../../kit/Block';
import { Choice } from '../../kit/Choice';
import { Notice } from '../../kit/Notice';
import { profileSource } from '../../store/profiles';
import { GiveLink } from './GiveLink';
import { newSeed, startPractice } from './use-stand';

interface Props {
  readonly level: number;
  readonly profiles: readonly ProfileSummary[];
}

interface Hideable {
  readonly family: string;
  readonly words: string;
}

/** A lead chooses machine and fault, and gives the link to whoever is to find it. */
export function SetExercise({ level, profiles }: Props) {
  const [profile, setProfile] = useState<string>();
  const [seed, setSeed] = useState(0);
  const [hideable, setHideable] = useState<readonly Hideable[]>([]);
  const [link, setLink] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const ask = async <T,>(
    what: (api: ReturnType<typeof startPractice>['api'], source: string) => Promise<T>,
    of: string,
  ) => {
    const { api, end } = startPractice();
    try {
      return await what(api, await profileSource(of));
    } finally {
      end();
    }
  };
  const choose = (of: string): void => {
    const drawn = newSeed();
    setProfile(of);
    setSeed(drawn);
    setHideable([]);
    setLink(undefined);
    ask((api, source) => api.pinnable({ level, seed: drawn, profile: of }, source), of).then(
      (found) => setHideable(found),
      (error: unknown) => setProblem((error as Error).message),
    );
  };
  const pin = (family: string): void => {
    ask((api, source) => api.pin({ level, seed, profile: profile! }, source, family), profile!).then(
      (code) => setLink(`/practice/${code}`),
      (error: unknown) => setProblem((error as Error).message),
    );
  };
  return (
    <Block title="Set an exercise">
      <Choice
        label="Appliance to hide it in"
        value={profile}
        placeholder="An appliance…"
        options={profiles.map((p) => ({ value: p.id, label: p.title }))}
        onChange={choose}
      />
      {hideable.length > 0 && (
        <Choice
          label="Fault to hide"
          value={undefined}
          placeholder="What is to be found…"
          options={hideable.map(({ family, words }) => ({ value: family, label: words }))}
          onChange={pin}
        />
      )}
      {link !== undefined && <GiveLink key={link} link={link} />}
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
    </Block>
  );
}
