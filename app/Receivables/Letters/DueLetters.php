<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Carbon\CarbonImmutable;
use Elmstone\Books\Purpose;
use Elmstone\Core\Receivables\Days;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\DisputeItem;
use Elmstone\Receivables\Ageing\Call;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Who is to get a reminder letter now. What is disputed is in none; unused credit is taken off first; a fee or finance
 * charge is listed and calls for none by itself.
 */
final readonly class DueLetters
{
    private const AT_ONCE = 500;

    public function __construct(private House $house)
    {
    }

    /**
     * @param  int|null  $customer null: all accounts
     * @return list<DueLetter> the highest level first, then who is late the longest
     */
    public function on(CarbonImmutable $day, ?int $customer = null): array
    {
        $levels = LetterLevels::of($this->house);

        if ($levels->levels === []) {
            return [];
        }

        $disputed = DisputeItem::on($day, $customer);
        $due = [];

        foreach (array_chunk($this->late($day, $levels->levels[0]->after, $customer), self::AT_ONCE) as $some) {
            $accounts = HouseAccount::query()->with('customer')->whereIn('customer_id', $some)->get();
            $open = $this->open($some);
            $items = $open->groupBy('customer_id');
            $sent = $this->sent($open->modelKeys());
            $promised = $this->promised($some, $day);

            foreach ($accounts as $account) {
                $late = $this->lateItems(
                    $items->get($account->customer_id, new Collection)
                        ->reject(static fn (OpenItemRecord $item): bool => isset($disputed[$item->document_id])),
                    $day, $levels, $sent,
                );
                $level = max([0, ...array_map(static fn (LateItem $item): int => $item->level ?? 0, $late)]);
                $late === [] || $level === 0 || ($due[] = new DueLetter(
                    $account, $levels->level($level), $late, $promised[$account->customer_id] ?? null,
                ));
            }
        }

        usort($due, static fn (DueLetter $one, DueLetter $other): int => [$other->level->number, $other->oldest()]
            <=> [$one->level->number, $one->oldest()]);

        return $due;
    }

    /** @return list<int> customers who get letters and owe something so many days late */
    private function late(CarbonImmutable $day, int $after, ?int $customer): array
    {
        return array_values(array_map(intval(...), OpenItemRecord::query()
            ->toBase()
            ->distinct()
            ->where('kind', ItemKind::Charge)
            ->where('open', '>', 0)
            ->where('due_date', '<=', $day->subDays($after)->format('Y-m-d'))
            ->when($customer !== null, static fn ($query) => $query->where('customer_id', $customer))
            ->whereIn('customer_id', HouseAccount::query()->where('letters', true)->select('customer_id'))
            ->orderBy('customer_id')
            ->pluck('customer_id')
            ->all()));
    }

    /**
     * @param  list<int>  $customers
     * @return Collection<int, OpenItemRecord>
     */
    private function open(array $customers): Collection
    {
        return OpenItemRecord::query()
            ->whereIn('customer_id', $customers)
            ->where('open', '>', 0)
            ->orderBy('due_date')
            ->orderBy('document_id')
            ->get();
    }

    /**
     * @param  array<int>  $documents whosever they were when they were written about
     * @return array<int, array{int, CarbonImmutable}> how many letters were about each item, and the day of the last
     */
    private function sent(array $documents): array
    {
        $sent = [];

        foreach (
            DB::table('letter_items as i')
                ->join('letters as l', 'l.id', '=', 'i.letter_id')
                ->whereIn('i.document_id', $documents)
                ->whereNotNull('i.level')
                ->groupBy('i.document_id')
                ->selectRaw('i.document_id, MAX(i.level) AS level, MAX(l.sent_on) AS last')
                ->get() as $row
        ) {
            $sent[(int) $row->document_id] = [(int) $row->level, CarbonImmutable::parse((string) $row->last)];
        }

        return $sent;
    }

    /**
     * @param  list<int>  $customers
     * @return array<int, CarbonImmutable> by customer, until when they promised to pay at their last call
     */
    private function promised(array $customers, CarbonImmutable $day): array
    {
        $last = Call::query()->toBase()->whereIn('customer_id', $customers)->groupBy('customer_id')
            ->selectRaw('MAX(id)');

        return Call::query()
            ->whereIn('id', $last)
            ->where('promised_on', '>=', $day->format('Y-m-d'))
            ->get()
            ->mapWithKeys(static fn (Call $call): array => [$call->customer_id => $call->promised_on ?? $day])
            ->all();
    }

    /**
     * @param  Collection<int, OpenItemRecord>  $items of one account
     * @param  array<int, array{int, CarbonImmutable}>  $sent
     * @return list<LateItem>
     */
    private function lateItems(Collection $items, CarbonImmutable $day, LetterLevels $levels, array $sent): array
    {
        $byLabel = $items->keyBy('label');
        $late = [];

        foreach (
            OpenItem::afterCredits(
                array_values($items->map(static fn (OpenItemRecord $item): OpenItem => $item->toValue())->all()),
            ) as $value
        ) {
            $item = $byLabel->get($value->id);

            if ($item !== null && $value->daysLate($day) > 0) {
                [$level, $last] = $sent[$item->document_id] ?? [0, null];
                $late[] = new LateItem(
                    $item,
                    $value->open,
                    $value->daysLate($day),
                    in_array($item->purpose, [Purpose::Fee, Purpose::FinanceCharge], true)
                        ? null
                        : $levels->ladder->due(
                            $value->daysLate($day), $level, $last === null ? null : Days::between($last, $day),
                        ),
                );
            }
        }

        return $late;
    }
}
