<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\TypedDate;
use Elmstone\Tills\Safe\CardBatch;
use Elmstone\Tills\Safe\PayOutCards;
use Elmstone\Tills\Safe\Safe;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Posts what an acquirer says it pays out, from CSV: reference, paid_on, batch, taken, fee. Each batch is a closed
 * session, named as its paper names it; what was taken has to be what was closed. All of it is posted, or none.
 */
final class PostPayouts
{
    /** @var list<string> */
    public const COLUMNS = ['reference', 'paid_on', 'batch', 'taken', 'fee'];

    public function __construct(
        private readonly House $house,
        private readonly Safe $safe,
        private readonly PayOutCards $payOut,
    ) {
    }

    /**
     * @return int how many payouts were posted
     *
     * @throws Refused not_a_table, missing_column, bad_row, and what a payout refuses
     */
    public function handle(string $csv, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($csv, $till, $by): int {
            $payouts = $this->read(new CsvRows($csv));

            foreach ($payouts as $reference => $payout) {
                $this->payOut->handle(
                    $till,
                    $payout['sessions'],
                    $payout['fee'],
                    (string) $reference,
                    $payout['day'],
                    $by,
                    Uuid::uuid5(Uuid::NAMESPACE_OID, "payout {$reference}")->toString(),
                );
            }

            return count($payouts);
        });
    }

    /** @return array<string, array{day: CarbonImmutable, fee: Money, sessions: list<int>}> by reference */
    private function read(CsvRows $rows): array
    {
        $missing = array_diff(self::COLUMNS, $rows->head);
        $missing === []
            || throw Refused::because('missing_column', 'There is no column '.implode(', ', $missing).'.');
        $batches = array_column($this->safe->batches(), null, 'label');
        [$payouts, $wrong] = [[], []];

        foreach ($rows->rows() as $line => $row) {
            try {
                $reference = mb_substr($row['reference'], 0, 60);
                $reference === '' && throw Refused::because('bad_row', 'there is no reference');
                $batch = $this->batch($batches, $row);
                $payouts[$reference] ??= [
                    'day' => self::day($row['paid_on']),
                    'fee' => $this->house->money(0),
                    'sessions' => [],
                ];
                $payouts[$reference]['fee'] = $payouts[$reference]['fee']->plus($this->money($row['fee']));
                $payouts[$reference]['sessions'][] = $batch->session;
            } catch (Refused $refused) {
                $wrong[] = "Row {$line}: {$refused->getMessage()}.";
            }
        }

        $payouts === [] && $wrong === [] && throw Refused::because('not_a_table', 'There is nothing in the file.');
        $wrong === []
            || throw Refused::because('bad_row', implode(' ', array_slice($wrong, 0, 5)).' Nothing was posted.');

        return $payouts;
    }

    /**
     * @param  array<string, CardBatch>  $batches by label
     * @param  array<string, string>  $row
     */
    private function batch(array $batches, array $row): CardBatch
    {
        $batch = $batches[$row['batch']]
            ?? throw Refused::because('bad_row', "batch “{$row['batch']}” is none that waits to be paid out");
        $taken = $this->money($row['taken']);

        return $batch->amount->equals($taken)
            ? $batch
            : throw Refused::because(
                'bad_row',
                "{$row['batch']} was closed with {$batch->amount->toString()}, the file says {$taken->toString()}",
            );
    }

    private function money(string $typed): Money
    {
        return $this->house->typedMoney($typed) ?? $this->house->money(0);
    }

    private static function day(string $typed): CarbonImmutable
    {
        return TypedDate::of($typed)
            ?? throw Refused::because('bad_row', "“{$typed}” is no day such as 2026-03-14");
    }
}
