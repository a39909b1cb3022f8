<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\Days;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Who is to be reminded as of a day. Of several days that have passed unsent only the latest is left: nobody wants to
 * be told "due in 7 days" the day after it was due.
 */
final readonly class DueReminders
{
    /** Nobody is reminded of what is longer past than the last reminder and so many days. */
    private const STALE = 30;

    public function __construct(private House $house)
    {
    }

    /** @return list<Reminder> earliest due first */
    public function on(CarbonImmutable $day): array
    {
        $settings = ReminderDays::of($this->house);
        $found = [
            ...$this->of(
                About::Plan,
                $settings->plan,
                $day,
                <<<'SQL'
                SELECT p.id, p.label, c.id AS customer_id, c.name, c.phone, c.mail, t.due, i.`open`
                    FROM plan_parts t JOIN open_items i ON i.document_id = t.document_id
                    JOIN plans p ON p.id = t.plan_id JOIN customers c ON c.id = p.customer_id
                WHERE i.`open` > 0 AND t.due BETWEEN ? AND ?
                SQL
                ,
            ),
            ...$this->of(
                About::Layaway,
                $settings->layaway,
                $day,
                <<<'SQL'
                SELECT l.id, l.label, c.id AS customer_id, c.name, c.phone, c.mail,
                        l.next_due AS due, l.next_open AS `open`
                    FROM agreements l JOIN customers c ON c.id = l.customer_id
                WHERE l.kind = 'layaway' AND l.state = 'running' AND l.next_due BETWEEN ? AND ?
                SQL
                ,
            ),
            ...$this->of(
                About::Expiry,
                $settings->expiry,
                $day,
                <<<'SQL'
                SELECT l.id, l.label, c.id AS customer_id, c.name, c.phone, c.mail,
                        l.expires_on AS due, l.total - a.balance AS `open`
                    FROM agreements l JOIN customers c ON c.id = l.customer_id
                    JOIN held_accounts a ON a.id = l.account_id
                WHERE l.kind = 'layaway' AND l.state = 'running' AND l.expires_on BETWEEN ? AND ?
                SQL
                ,
            ),
        ];
        usort(
            $found,
            static fn (Reminder $one, Reminder $two): int => $one->due <=> $two->due ?: $one->label <=> $two->label,
        );

        return $found;
    }

    /**
     * @param  list<int>  $days
     * @return list<Reminder>
     */
    private function of(About $about, array $days, CarbonImmutable $day, string $sql): array
    {
        if ($days === []) {
            return [];
        }

        $rows = DB::select($sql, [
            $day->subDays(max($days) + self::STALE)->format('Y-m-d'),
            $day->subDays(min($days))->format('Y-m-d'),
        ]);
        $sent = $this->sent($about, array_values(array_map(static fn (stdClass $row): int => (int) $row->id, $rows)));
        $reminders = [];

        foreach ($rows as $row) {
            $due = CarbonImmutable::parse((string) $row->due);
            $passed = array_filter(
                $days,
                static fn (int $offset): bool => $due->addDays($offset)->lessThanOrEqualTo($day),
            );

            if ($passed !== [] && ! isset($sent["{$row->id}:{$row->due}:".max($passed)])) {
                $reminders[] = new Reminder(
                    $about,
                    (int) $row->id,
                    (string) $row->label,
                    (int) $row->customer_id,
                    (string) $row->name,
                    (string) $row->phone,
                    (string) $row->mail,
                    $due,
                    max($passed),
                    $this->house->money((int) $row->open),
                    Days::between($due, $day),
                );
            }
        }

        return $reminders;
    }

    /**
     * @param  list<int>  $ids
     * @return array<string, true>
     */
    private function sent(About $about, array $ids): array
    {
        $sent = [];

        foreach (array_chunk(array_unique($ids), 1000) as $some) {
            foreach (
                DB::table('reminders')
                    ->where('about', $about->value)
                    ->whereIn('about_id', $some)
                    ->get(['about_id', 'due', 'days']) as $row
            ) {
                $sent["{$row->about_id}:{$row->due}:{$row->days}"] = true;
            }
        }

        return $sent;
    }
}
