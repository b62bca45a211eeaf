// What the school's classes call things: set once, for every new lesson from now on.
import { useQuery } from '@tanstack/react-query';
import { Alert } from 'antd';
import { useState } from 'react';
import type { Vocabulary } from '../core/core';
import { ClassWords } from '../shell/ClassWords';
import { Dialog } from '../shell/later';
import { sentence } from '../state/lesson';
import { setSchool } from '../state/school';
import { api } from '../state/api';

export function SchoolDialog({ close }: { close: () => void }) {
  const set = useQuery({ queryKey: ['school'], queryFn: api.school, gcTime: 0, staleTime: Infinity });
  const [changed, setChanged] = useState<Vocabulary>();
  const [why, setWhy] = useState('');
  const words = changed ?? set.data?.words;
  const save = async () => {
    if (!words) return;
    try {
      await setSchool({ ...set.data, words });
      close();
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  const wrong = why || (set.error ? sentence(set.error) : '');
  return (
    <Dialog
      title="Words of the school"
      width={700}
      open
      onCancel={close}
      onOk={() => void save()}
      okText="Save"
      okButtonProps={{ disabled: !words }}
    >
      <p>Every new lesson begins with these. A lesson can have others: More, Words of the class.</p>
      {wrong && <Alert type="warning" title={wrong} />}
      {words && <ClassWords words={words} change={setChanged} />}
    </Dialog>
  );
}
