import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ShopSettings } from '@zetalysis/contract';
import { Form, Input, InputNumber, Radio } from 'antd';
import { http } from '../../api/http';
import { settingsQuery } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';

const day = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', year: 'numeric' });

/** What stands on the shop's reports and quotes from now on; what stood there before is kept. */
export function ShopPaper() {
  const queries = useQueryClient();
  const settings = useQuery(settingsQuery);
  const versions = useQuery({ queryKey: ['settings', 'versions'], queryFn: () => http('GET /shop/settings/versions') });
  const set = useMutation({
    mutationFn: (body: ShopSettings) => http('PUT /shop/settings', { body }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['settings'] }),
  });
  const error = settings.error ?? set.error;
  return (
    <>
      {error && <Notice kind="problem">{error.message}</Notice>}
      {settings.data && (
        <Form
          key={JSON.stringify(settings.data)}
          layout="vertical"
          requiredMark={false}
          initialValues={settings.data}
          onFinish={(v: ShopSettings) =>
            set.mutate({
              ...v,
              name: v.name.trim(),
              address: v.address.trim(),
              currency: v.currency.trim(),
              hour: v.hour ?? null,
            })
          }
          style={{ maxWidth: '24rem' }}
        >
          <Form.Item
            name="name"
            label="Name of the shop"
            rules={[{ required: true, whitespace: true, message: 'Write how the shop is called.' }]}
          >
            <Input maxLength={120} />
          </Form.Item>
          <Form.Item name="address" label="Address and telephone">
            <Input maxLength={200} />
          </Form.Item>
          <Form.Item
            name="currency"
            label="Prices are in"
            rules={[{ required: true, whitespace: true, message: 'Write a sign or three letters, as $.' }]}
          >
            <Input maxLength={8} style={{ width: '6rem' }} />
          </Form.Item>
          <Form.Item
            name="hour"
            label="An hour of work"
            extra="Quotes use it."
            rules={[{ type: 'number', min: 0, max: 99_999, message: 'A price from 0 to 99999.' }]}
          >
            <InputNumber precision={2} />
          </Form.Item>
          <Form.Item name="paper" label="Paper">
            <Radio.Group
              options={[
                { value: 'LETTER', label: 'Letter' },
                { value: 'A4', label: 'A4' },
              ]}
            />
          </Form.Item>
          {set.isSuccess && <p role="status">Kept. Papers that are made from now on say so.</p>}
          <Button htmlType="submit" loading={set.isPending}>
            Keep it
          </Button>
        </Form>
      )}
      {(versions.data ?? []).length > 1 && (
        <details>
          <summary>Before</summary>
          <ul>
            {versions.data!.slice(1).map((v) => (
              <li key={v.at}>
                {v.name}
                {v.address !== '' && `, ${v.address}`}
                {v.hour !== null && `, ${v.currency} ${v.hour.toFixed(2)} an hour`}{' '}
                <span className="fine">
                  {v.by}, {day.format(new Date(v.at))}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
