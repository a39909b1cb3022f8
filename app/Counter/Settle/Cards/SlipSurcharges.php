<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\LineColumns;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Support\Show;

/**
 * What paying by card costs on a slip: a line of the sale for each card that pays it or is shown what it would. It
 * stands with the question to the terminal and falls with it. docs/rules.md, "Card surcharge".
 */
final readonly class SlipSurcharges
{
    /** @var list<CardRequest> in the order of their lines */
    public array $cards;

    public function __construct(Slip $slip)
    {
        $this->cards = array_values(
            $slip->becomesSale()
                ? $slip->cards->filter(static fn (CardRequest $card): bool => $card->bearsSurcharge())->all()
                : [],
        );
    }

    /** @return list<SlipLine> */
    public function lines(): array
    {
        return array_map(
            static fn (CardRequest $card): SlipLine => SlipLine::of(
                "card {$card->id}",
                Direction::Out,
                Quantity::of('1'),
                UnitPrice::of($card->surcharge->toString()),
                1,
                $card->surcharge_class ?? FeeDraft::UNTAXED,
                null,
                false,
            ),
            $this->cards,
        );
    }

    /**
     * As they stand on the invoice.
     *
     * @param  list<ReckonedLine>  $reckoned in the same order
     * @return list<DraftLine>
     */
    public function drafts(array $reckoned): array
    {
        return array_map(
            static fn (CardRequest $card, ReckonedLine $line): DraftLine => new DraftLine(
                $line, null, LineColumns::SURCHARGE, self::words($card), null, 'each', PriceRule::Typed,
                UnitPrice::of($card->surcharge->toString()), Money::zero($card->surcharge->currency),
            ),
            $this->cards,
            $reckoned,
        );
    }

    /** "Card surcharge 2.5 %, credit ending 4821" */
    public static function words(CardRequest $card): string
    {
        $percent = $card->surcharge_percent === null ? '' : ' '.Show::decimal($card->surcharge_percent).' %';

        return "Card surcharge{$percent}, ".($card->card_type ?: $card->read_as)." ending {$card->last_four}";
    }
}
