// What opens over the page, and what stands in it.
export { Checkbox, Dropdown, InputNumber, Modal, Popover, Select } from 'antd';
