// Into which of the teacher's own folders lessons go: one that is there, or a new one.
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import css from './Card.module.css';

const cx = names(css);

/** As many letters as the server takes. */
const MOST = 60;

interface Props {
  folders: string[];
  close: () => void;
  /** The empty name takes them out. */
  move: (folder: string) => void;
}

export function FolderDialog({ folders, close, move }: Props) {
  const [name, setName] = useState('');
  const go = (folder: string) => {
    move(folder);
    close();
  };
  return (
    <Dialog
      title="Move to a folder"
      open
      onCancel={close}
      onOk={() => go(name.trim())}
      okText="Move"
      okButtonProps={{ disabled: name.trim() === '' }}
    >
      <label className="field">
        Name of the folder
        <Input
          value={name}
          maxLength={MOST}
          onChange={(e) => setName(e.target.value)}
          onPressEnter={() => name.trim() !== '' && go(name.trim())}
        />
      </label>
      <div className={cx('folders')}>
        {folders.map((folder) => (
          <Button key={folder} onClick={() => go(folder)}>
            {folder}
          </Button>
        ))}
        <Button onClick={() => go('')}>No folder</Button>
      </div>
    </Dialog>
  );
}
