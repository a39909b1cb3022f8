<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Catalogue\Commitments;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * The only place that writes what is agreed: lines in revisions, of which earlier ones stay as they were, and with them
 * what is set aside. Inside a transaction, the agreement and its goods locked.
 */
final class AgreedLines
{
    public function __construct(private readonly Commitments $commitments, private readonly Serials $serials)
    {
    }

    /**
     * The lines of an agreement that is just being made.
     *
     * @param  list<AgreedLine>  $lines in their order
     *
     * @throws Refused serial_out, serial_set_aside
     */
    public function begin(Agreement $agreement, array $lines): void
    {
        $wanted = $this->insert($agreement, $lines);
        $this->commitments->begin($agreement->id, $agreement->location_id, $wanted->quantities);
        $wanted->serials === [] || $this->serials->setAside($agreement->id, $wanted->serials);
    }

    /**
     * The lines of an agreement that sets nothing aside by itself, as they are in its revision.
     *
     * @param  list<AgreedLine>  $lines in their order
     */
    public function put(Agreement $agreement, array $lines): void
    {
        $this->insert($agreement, $lines);
        $agreement->unsetRelation('allLines');
    }

    /**
     * Lines under the next revision, in place of what was set aside before.
     *
     * @param  list<AgreedLine>  $lines
     *
     * @throws Refused serial_out, serial_set_aside
     */
    public function revise(Agreement $agreement, array $lines): void
    {
        $agreement->forceFill(['revision' => $agreement->revision + 1]);
        $wanted = $this->insert($agreement, $lines);
        $agreement->unsetRelation('allLines');
        $this->commitments->set($agreement->id, $agreement->location_id, $wanted->quantities);
        $this->serials->setAside($agreement->id, $wanted->serials);
    }

    /** The same lines under the next revision, where something else of the agreement changes. */
    public function carryOver(Agreement $agreement): void
    {
        $agreement->forceFill(['revision' => $agreement->revision + 1])->save();
        $lines = DB::table('agreement_lines')
            ->where('agreement_id', $agreement->id)
            ->where('revision', $agreement->revision - 1)
            ->get();
        DB::table('agreement_lines')->insert(
            $lines->map(static fn (object $line): array => [
                ...(array) $line,
                'revision' => $agreement->revision,
            ])->all(),
        );
        $agreement->unsetRelation('allLines');
    }

    /** Everything that was set aside for it is free again. */
    public function release(Agreement $agreement): void
    {
        $this->commitments->release($agreement->id);
        $this->serials->setAside($agreement->id, []);
    }

    /**
     * What is agreed after some changes; nothing is written.
     *
     * @param  non-empty-list<LineChange>  $changes
     * @return array{list<AgreedLine>, string} the lines, and what was done in words
     *
     * @throws Refused not_there, off_sale, whole_pieces
     */
    public function changed(Agreement $agreement, array $changes): array
    {
        $lines = $agreement->lines()->keyBy('position')->all();
        $words = [];

        foreach ($changes as $change) {
            if ($change->item !== null) {
                $lines[] = $this->added($agreement, $change);
                $words[] = 'put with it '.Show::decimal((string) $change->quantity)." × {$change->item->description}";

                continue;
            }

            $line = $lines[$change->position ?? 0]
                ?? throw Refused::because('not_there', 'This line is not on it any more.');

            if ($change->serials !== null) {
                $line->serials = $change->serials === [] ? null : $change->serials;
                $words[] = "{$line->description}: serial "
                    .($change->serials === [] ? 'numbers taken off' : implode(', ', $change->serials));
            } elseif ($change->quantity?->isZero() === true) {
                unset($lines[$change->position]);
                $words[] = 'dropped '.Show::decimal($line->quantity)." × {$line->description}";
            } else {
                $line->item?->assertSoldIn(Quantity::of((string) $change->quantity));
                $words[] = "{$line->description}: "
                    .Show::decimal((string) $change->quantity)
                    .' instead of '
                    .Show::decimal($line->quantity);
                $line->setAttribute('quantity', (string) $change->quantity);
                $line->serials = null;
            }
        }

        return [array_values($lines), ucfirst(implode('; ', $words))];
    }

    /** What is put with it has today's price for this customer. */
    private function added(Agreement $agreement, LineChange $change): AgreedLine
    {
        return self::quoted(
            $agreement,
            $change->item ?? throw Refused::because('not_there', 'There is no such item.'),
            Quantity::of((string) $change->quantity),
        );
    }

    /**
     * So much of an item at today's price for whom the agreement is with.
     *
     * @throws Refused off_sale, whole_pieces
     */
    public static function quoted(Agreement $agreement, Item $item, Quantity $quantity): AgreedLine
    {
        if (! $item->active) {
            throw Refused::because('off_sale', "{$item->code} “{$item->description}” is not on sale any more.");
        }

        $item->assertSoldIn($quantity);
        $quote = PriceBooks::of($item, $agreement->customer->priceTerms())->quote($quantity, ShopTime::today());

        return new AgreedLine([
            ...$item->onLine(),
            'quantity' => $quantity->toString(),
            'unit_price' => $quote->price->toString(),
            'price_rule' => $quote->rule,
            'list_price' => $quote->list->toString(),
            'discount_percent' => $quote->discount?->toString(),
            'discount_amount' => null,
            'may_discount' => $item->takesDiscount(),
            'note' => '',
            'approval_id' => null,
            'serials' => null,
            'sharing_id' => null,
            'way' => null,
            'from_id' => null,
            'wanted_on' => null,
        ]);
    }

    /** @param  list<AgreedLine>  $lines */
    private function insert(Agreement $agreement, array $lines): SetAside
    {
        DB::table('agreement_lines')->insert(
            array_map(
                static fn (AgreedLine $line, int $i): array => [
                    ...$line->getAttributes(),
                    'agreement_id' => $agreement->id,
                    'revision' => $agreement->revision,
                    'position' => $i + 1,
                ],
                $lines,
                array_keys($lines),
            ),
        );

        return SetAside::of($lines);
    }
}
