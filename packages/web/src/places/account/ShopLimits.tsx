import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Form, InputNumber } from 'antd';
import { type Limits, LIMITS } from '@zetalysis/core/rules';
import { http } from '../../api/http';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';

const FIELDS: readonly (readonly [keyof Limits, string])[] = [
  ['coFind', 'Find the source: above'],
  ['coOff', 'Burners off: from'],
  ['coOut', 'Everybody out: from'],
];

/** From which carbon monoxide on a stop comes: practice's values, or the shop's stricter ones, for calls that are opened from now on. */
export function ShopLimits() {
  const queries = useQueryClient();
  const limits = useQuery({ queryKey: ['limits'], queryFn: () => http('GET /shop/limits') });
  const tighten = useMutation({
    mutationFn: (body: Limits) => http('PUT /shop/limits', { body }),
    onSuccess: (now) => queries.setQueryData(['limits'], now),
  });
  const error = limits.error ?? tighten.error;
  return (
    <>
      {error && <Notice kind="problem">{error.message}</Notice>}
      {limits.data && (
        <Form
          key={JSON.stringify(limits.data)}
          layout="vertical"
          requiredMark={false}
          initialValues={limits.data}
          onFinish={(v: Limits) => tighten.mutate(v)}
          style={{ maxWidth: '24rem' }}
        >
          {FIELDS.map(([name, label]) => (
            <Form.Item
              key={name}
              name={name}
              label={`${label} (ppm)`}
              extra={`Practice: ${LIMITS[name]}. A shop may only be stricter.`}
              rules={[
                {
                  required: true,
                  type: 'integer',
                  min: 1,
                  max: LIMITS[name],
                  message: `A whole number from 1 to ${LIMITS[name]}.`,
                },
              ]}
            >
              <InputNumber />
            </Form.Item>
          ))}
          {tighten.isSuccess && <p role="status">Kept. Calls that are opened from now on count from these.</p>}
          <Button htmlType="submit" loading={tighten.isPending}>
            Keep the limits
          </Button>
        </Form>
      )}
    </>
  );
}
