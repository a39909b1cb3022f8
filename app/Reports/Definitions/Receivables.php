<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\PaidInTime;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\Filter;
use Elmstone\Reports\OneReport;
use Elmstone\Staff\Ability;

/** How accounts pay: what was charged and met, how many days it took, what stands open and what is late. */
final class Receivables extends OneReport
{
    protected const KEY = 'receivables';

    protected const TITLE = 'How accounts pay';

    protected const QUESTION = 'How long do accounts take to pay, and what stands open at the end?';

    protected const GROUP = 'Office';

    protected const ABILITY = Ability::SeeAgeing;

    protected const BY = ['account' => 'account'];

    protected const FILTERS = [Filter::Customer];

    public function figures(Asked $asked): array
    {
        $days = $asked->period->days();

        return [
            Figure::money('open', 'Owed at the end'),
            Figure::money('late', 'Late of it'),
            Figure::money('charged', 'Charged'),
            Figure::money('met', 'Met'),
            Figure::ratio('days', 'Days to pay', static fn (array $of): ?string => self::rate(
                $of['weighted'] ?? 0, $of['met'] ?? 0, 1,
            )),
            Figure::ratio('beyond', 'Days late', static fn (array $of): ?string => self::rate(
                $of['late_weighted'] ?? 0, $of['met'] ?? 0, 1,
            )),
            Figure::ratio('outstanding', 'Days outstanding', static fn (array $of): ?string => self::rate(
                $of['open'] ?? 0, $of['charged'] ?? 0, $days,
            )),
            Figure::ratio('kept', 'Promises kept', static fn (array $of): ?string => is_string($of['kept'] ?? null)
                ? $of['kept'] : null),
        ];
    }

    private static function rate(mixed $part, mixed $whole, int $times): ?string
    {
        return is_numeric($part) && is_numeric($whole) && (int) $whole !== 0
            ? number_format((float) $part * $times / (float) $whole, 1, '.', '')
            : null;
    }

    public function entries(Asked $asked): array
    {
        $rows = PaidInTime::of($asked->period, $asked->customer);
        $names = Customer::query()->whereIn('id', array_keys($rows))->get()->keyBy('id');
        $entries = [];

        foreach ($rows as $id => $figures) {
            $customer = $names->get($id);
            $customer === null || ($entries[] = new Entry(
                (string) $id, "{$customer->number} {$customer->name}", $figures, route('accounts.show', $customer),
            ));
        }

        usort($entries, static fn (Entry $one, Entry $other): int => $other->figures['open'] <=> $one->figures['open']);

        return $entries;
    }
}
