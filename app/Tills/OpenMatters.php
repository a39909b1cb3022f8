<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Illuminate\Database\Eloquent\Builder;

/** What is still open at a till: pointed out before it is closed; money that moved by card has to be settled first. */
final class OpenMatters
{
    /** @param  iterable<StillOpen>  $known */
    public function __construct(private readonly iterable $known)
    {
    }

    /** @return list<OpenMatter> */
    public function at(Till $till): array
    {
        $found = self::cards($till);

        foreach ($this->known as $one) {
            array_push($found, ...$one->at($till));
        }

        return $found;
    }

    /** @return list<OpenMatter> cards that no document says yet */
    private static function cards(Till $till): array
    {
        $open = self::unsettled($till)->get();

        return array_values($open->map(static fn (CardRequest $one): OpenMatter => new OpenMatter(
            "Card over {$one->atStake()->toString()}: "
                .($one->state->isOpen() ? 'the terminal has not answered' : 'approved, and on no document'),
            route('counter'),
        ))->all());
    }

    /** @return Builder<CardRequest> */
    private static function unsettled(Till $till): Builder
    {
        return CardRequest::query()
            ->where('till_id', $till->id)
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->orderBy('id');
    }

    /**
     * With the session locked: nobody asks a terminal of this till any more.
     *
     * @throws Refused card_unknown
     */
    public static function assertCardsSettled(Till $till): void
    {
        $open = self::unsettled($till)->first();

        if ($open !== null) {
            throw Refused::because(
                'card_unknown',
                $open->state->isOpen()
                    ? "A card over {$open->asked->toString()} has no answer from the terminal yet. Ask it again first."
                    : "A card over {$open->approved->toString()} was approved and stands on no document yet. Post what "
                        .'it is for, or give it back, first.',
            );
        }
    }
}
