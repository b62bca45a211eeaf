// A link as a code on paper, with its text for those who type it.
import { QRCode } from 'antd';
import { names } from '../shell/names';
import css from './PaperPage.module.css';

const cx = names(css);

export function Linked({ text }: { text: string }) {
  return (
    <p className={cx('linked')}>
      <QRCode value={text} type="svg" size={84} bordered={false} color="#22302c" bgColor="#ffffff" />
      <span>{text}</span>
    </p>
  );
}
