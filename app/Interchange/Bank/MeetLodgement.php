<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tills\Safe\Lodgement;
use Elmstone\Tills\Safe\MeetCredit;
use Elmstone\Tills\Safe\Safe;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** What the bank credited is no customer's payment but what was paid in, or what the acquirer paid out. */
final class MeetLodgement
{
    /** @var Collection<int, Lodgement>|null */
    private ?Collection $open = null;

    public function __construct(private readonly Safe $safe, private readonly MeetCredit $meet)
    {
    }

    /**
     * @param  array<BankEntry>  $entries
     * @return array<int, Lodgement> what speaks for itself, by entry that nobody is known to have paid
     */
    public function amongst(array $entries): array
    {
        $found = [];

        foreach ($entries as $entry) {
            $one = $entry->isPayment() && $entry->customer_id === null ? $this->likely($entry) : null;
            $one === null || $found[$entry->id] = $one;
        }

        return $found;
    }

    /**
     * What an entry could be the credit of: named in it first, then of its amount, then the rest on its way.
     *
     * @return list<Lodgement>
     */
    public function proposals(BankEntry $entry): array
    {
        $open = array_values(
            ($this->open ??= $this->safe->onTheWay())
                ->filter(static fn (Lodgement $one): bool => $one->onTheWay()->isPositive()
                    && ($entry->booked_on === null || $entry->booked_on->greaterThanOrEqualTo($one->made_on)))
                ->all(),
        );
        usort($open, static fn (Lodgement $one, Lodgement $other): int => self::weight($other, $entry)
            <=> self::weight($one, $entry));

        return $open;
    }

    /** The one that speaks for itself: named, or alone of its amount; null: none. */
    private function likely(BankEntry $entry): ?Lodgement
    {
        $proposals = array_values(array_filter(
            $this->proposals($entry),
            static fn (Lodgement $one): bool => self::weight($one, $entry) > 0,
        ));

        return match (true) {
            $proposals === [] => null,
            count($proposals) === 1 => $proposals[0],
            self::weight($proposals[0], $entry) > self::weight($proposals[1], $entry) => $proposals[0],
            default => null,
        };
    }

    /**
     * @return int the document
     *
     * @throws Refused already_posted, met_already, day_closed, before_it_was_made
     */
    public function handle(BankEntry $entry, Lodgement $lodgement, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($entry, $lodgement, $till, $by): int {
            $locked = BankEntry::query()->whereKey($entry->id)->lockForUpdate()->firstOrFail();
            $locked->isPayment() || throw Refused::because('already_posted', 'This entry is dealt with already.');
            $document = $this->meet->handle(
                $lodgement,
                $locked->amount,
                max(BankDay::of($locked->booked_on, $till->location), $lodgement->made_on),
                $till,
                $by,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "bank-{$locked->fingerprint}")->toString(),
                $locked->id,
            );
            $locked->forceFill(['state' => 'posted', 'document_id' => $document, 'customer_id' => null])->save();
            $locked->file->settle();

            return $document;
        }, 3);
    }

    private static function weight(Lodgement $one, BankEntry $entry): int
    {
        $text = mb_strtoupper("{$entry->reference} {$entry->payer} {$entry->end_to_end}");
        $isNamed = str_contains($text, $one->document->label)
            || ($one->reference !== '' && str_contains($text, mb_strtoupper($one->reference)));

        return ($isNamed ? 2 : 0) + ($one->onTheWay()->equals($entry->amount) ? 1 : 0);
    }
}
