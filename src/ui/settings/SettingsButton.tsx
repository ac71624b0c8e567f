'use client';

import { SettingOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { settingsWords } from '../words/panels/settings';
import { useOpenSettings } from './context';

export function SettingsButton() {
  const open = useOpenSettings();
  return (
    <Button
      type="text"
      icon={<SettingOutlined />}
      title={settingsWords.title}
      aria-label={settingsWords.title}
      onClick={open}
    />
  );
}
