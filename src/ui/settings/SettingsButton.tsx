'use client';

import { SettingOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import { settingsWords } from '../words/panels/settings';
import { useOpenSettings } from './context';

export function SettingsButton() {
  const open = useOpenSettings();
  return (
    <Tooltip title={settingsWords.title}>
      <Button type="text" icon={<SettingOutlined />} aria-label={settingsWords.title} onClick={open} />
    </Tooltip>
  );
}
