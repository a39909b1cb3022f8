<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\LineColumns;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\SurchargePaid;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Ledger\FeeDraft;
use LogicException;

/**
 * What comes back of card surcharges with what goes back to their cards: a line of the credit note for each, of the
 * invoice's line that said it. It stands with the question to the terminal and falls with it.
 */
final readonly class SurchargesBack
{
    /** @var list<array{CardRequest, Origin}> */
    private array $cards;

    public function __construct(Slip $slip)
    {
        $cards = [];

        foreach ($slip->cards as $card) {
            if ($card->isBack() && $card->state->isLive() && $card->surcharge_total->isPositive()) {
                $paid = SurchargePaid::of($card->against)
                    ?? throw new LogicException("Card payment {$card->against} bore no surcharge.");
                $cards[] = [$card, $paid->line];
            }
        }

        $this->cards = $cards;
    }

    /** @return list<int> the documents that said them */
    public function documents(): array
    {
        return array_values(array_unique(array_map(
            static fn (array $card): int => $card[1]->documentId,
            $this->cards,
        )));
    }

    public function count(): int
    {
        return count($this->cards);
    }

    /** @return list<OriginalLine> */
    public function lines(Origins $origins, TaxTerms $terms, ?Origin $asOf): array
    {
        [$lines, $so] = [[], []];

        foreach ($this->cards as [$card, $origin]) {
            $before = $so[$origin->key()] ?? $origins->returnable($origin, $asOf);
            $taken = $before->giving($card->surcharge_total, $terms->taxIncluded);
            $so[$origin->key()] = $before->after($taken);
            $lines[] = $origins->original(
                $origin,
                SlipLine::of(
                    "card {$card->id}",
                    Direction::Back,
                    Quantity::of('1'),
                    UnitPrice::of($card->surcharge_total->toString()),
                    1,
                    (string) ($origins->line($origin)->tax_class ?? FeeDraft::UNTAXED),
                    null,
                    false,
                ),
                $taken,
            );
        }

        return $lines;
    }

    /**
     * As they stand on the credit note.
     *
     * @param  list<ReckonedLine>  $reckoned in the same order
     * @return list<DraftLine>
     */
    public function drafts(array $reckoned): array
    {
        return array_map(
            static fn (array $card, ReckonedLine $line): DraftLine => new DraftLine(
                $line, null, LineColumns::SURCHARGE, "Card surcharge back, ending {$card[0]->last_four}", null, 'each',
                PriceRule::Typed, UnitPrice::of($card[0]->surcharge_total->toString()),
                Money::zero($card[0]->surcharge_total->currency), origin: $card[1], goodsTo: GoodsTo::None,
            ),
            $this->cards,
            $reckoned,
        );
    }

    /**
     * @param  list<ReckonedLine>  $reckoned in the same order
     * @return array<int, Money> what of each document comes back by them, tax in it
     */
    public function values(array $reckoned): array
    {
        $values = [];

        foreach ($this->cards as $place => [, $origin]) {
            $of = $values[$origin->documentId] ?? null;
            $values[$origin->documentId] = $of?->plus($reckoned[$place]->total) ?? $reckoned[$place]->total;
        }

        return $values;
    }
}
