<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Audit;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Chain\SealedBlocks;
use Elmstone\Books\Chain\SealedText;
use Elmstone\Books\Chain\ShopKey;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Core\Proof\CanonicalJson;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\Database\Snapshot;
use Elmstone\Support\Report\Period;
use Generator;

/**
 * A period for the auditor as one file, an object of JSON on each line: what it is, the days that were signed, the
 * chart with what stood on each account before, the customers, every document as it was sealed, and at its end the sums
 * and the signature of all of it. `bin/verify` reads it. docs/chain.md gives the shape.
 */
final class AuditFile
{
    public const FORMAT = 'elmstone-export/1';

    public function __construct(
        private readonly LedgerDays $days,
        private readonly House $house,
        private readonly SealedBlocks $blocks,
    ) {
    }

    /**
     * @param  bool  $fromRows whether documents are written from their rows, and not as they were kept since they were
     * @return Generator<int, string> lines, each with its end. All of it as it stood when it was begun.
     */
    public function lines(Period $period, bool $fromRows = false): Generator
    {
        $this->days->sum();

        return Snapshot::through(fn (): Generator => $this->signed($period, $fromRows));
    }

    /** @return Generator<int, string> */
    private function signed(Period $period, bool $fromRows): Generator
    {
        $hash = hash_init('sha256');
        $documents = 0;

        foreach ($this->around($period) as $line) {
            hash_update($hash, $line);

            yield $line;
        }

        foreach (SealedText::ranges($period) as $range) {
            $texts = $fromRows
                ? SealedText::between($range['kind'], $range['first'], $range['last'])
                : $this->blocks->between($range['kind'], $range['first'], $range['last']);

            foreach ($texts as $digest => $says) {
                hash_update($hash, "{$digest}\n");
                $documents++;

                yield "{\"digest\":\"{$digest}\",\"document\":{$says}}\n";
            }
        }

        $moved = $this->days->between($period->from, $period->until, null);

        yield self::line([
            'is' => 'end',
            'documents' => $documents,
            'accounts' => array_map(static fn (string $code, array $sides): array => [
                'code' => $code, 'debit' => $sides[0], 'credit' => $sides[1],
            ], array_map(strval(...), array_keys($moved)), array_values($moved)),
            'signature' => base64_encode(ShopKey::find()->sign(hash_final($hash))),
        ]);
    }

    /** @return Generator<int, string> what stands before the documents */
    private function around(Period $period): Generator
    {
        [$from, $until] = $period->dates();

        yield self::line([
            'is' => 'export',
            'format' => self::FORMAT,
            'shop' => $this->house->shop()->name,
            'currency' => $this->house->currency()->code,
            'from' => $from,
            'until' => $until,
            'made_at' => CarbonImmutable::now()->utc()->format('Y-m-d H:i:s'),
            'key' => base64_encode(ShopKey::find()->public),
            'series' => SealedText::ranges($period),
        ]);

        foreach (SealedText::signed($period) as $row) {
            yield self::line([
                'is' => 'day', 'says' => (string) $row->says, 'signature' => (string) $row->signature,
                'key' => (string) $row->key,
            ]);
        }

        $before = $this->days->between(null, $period->from->subDay(), null);

        foreach (Account::query()->orderBy('number')->get() as $account) {
            [$debit, $credit] = $before[$account->code] ?? [0, 0];

            yield self::line([
                'is' => 'account', 'code' => $account->code, 'number' => $account->number, 'name' => $account->name,
                'kind' => $account->kind->value, 'opening' => $debit - $credit,
            ]);
        }

        foreach (Customer::query()->orderBy('id')->lazyById(1000) as $customer) {
            yield self::line([
                'is' => 'customer', 'id' => $customer->id, 'number' => $customer->number, 'name' => $customer->name,
            ]);
        }
    }

    /** @param  array<string, mixed>  $members */
    private static function line(array $members): string
    {
        return CanonicalJson::of($members)."\n";
    }
}
