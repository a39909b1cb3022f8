<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Cards\CardOwed;
use Elmstone\Held\Cards\CardsOwed;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\Held\Cards\LookAfterCards;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\AsOfRequest;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Gift cards: what is owed on them as of a day, what one is worth, and lost ones replaced. */
final class GiftCardController
{
    public function __construct(private readonly House $house)
    {
    }

    public function index(AsOfRequest $request): View
    {
        return $this->report($request->day())->page('gift-cards.find');
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        return $this->report($request->day())->csv();
    }

    /** @return Report<CardOwed> */
    private function report(CarbonImmutable $day): Report
    {
        $cards = CardsOwed::on($day);

        return Report::of(
            'Gift cards',
            $cards,
            [
                Column::code(
                    'Card',
                    '',
                    static fn (CardOwed $card): string => "•••• {$card->lastFour}",
                    static fn (CardOwed $card): string => route('gift-cards.show', $card->id),
                ),
                Column::inFile('card', static fn (CardOwed $card): string => $card->lastFour),
                Column::day('Sold', 'issued', static fn (CardOwed $card): CarbonImmutable => $card->issued),
                Column::text('Good until', '', static fn (CardOwed $card): string => $card->until()),
                Column::inFile('expires', static fn (CardOwed $card): ?CarbonImmutable => $card->expires),
                Column::text('', '', static fn (CardOwed $card): string => $card->hindrance($day))
                    ->small()
                    ->toned(static fn (CardOwed $card): string => $card->isBlocked ? 'brick' : 'ochre'),
                Column::money('Worth', 'balance', static fn (CardOwed $card): Money => $card->owed)
                    ->totalling(CardsOwed::total($cards, $this->house->currency())),
                ...HeldPage::alike($this->house, $day),
            ],
        )
            ->about(HeldPage::about('owed to whoever bears them', $this->house, $day))
            ->counting(count($cards), 'card', 'cards')
            ->orElse('Nothing was owed on gift cards on that day. They are sold at the counter: Alt I.')
            ->savedAs("gift-cards-{$day->format('Y-m-d')}", 'gift-cards.csv')
            ->asOf($day);
    }

    /** What a card is worth, by its number. */
    public function find(Request $request): RedirectResponse
    {
        return redirect()->route('gift-cards.show', GiftCards::named($request->string('code')->value()));
    }

    public function show(GiftCard $card): View
    {
        return view('gift-cards.show', [
            'card' => $card->load('changesMade.staff'),
            'entries' => HeldPage::entries($card->account),
            'house' => $this->house,
            'today' => ShopTime::today(),
        ]);
    }

    public function block(
        Request $request,
        GiftCard $card,
        LookAfterCards $look,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $blocks = ! $card->blocked;
        $look->block($card, $blocks, $request->string('reason')->trim()->value(), $by);

        return redirect()
            ->route('gift-cards.show', $card)
            ->with('done', $blocks ? 'The card is blocked. What it is worth stays.' : 'The card can be used again.');
    }

    public function replace(
        Request $request,
        GiftCard $card,
        LookAfterCards $look,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $typed = $request->string('code')->trim()->value();
        $code = $look->replace(
            $card,
            $typed === '' ? null : CardCode::of($typed),
            $request->string('reason')->trim()->value(),
            $by,
        );

        return redirect()
            ->route('gift-cards.show', $card)
            ->with(
                'done',
                "The new card’s number is {$code->grouped()}. Write it on the card now: it is not shown again.",
            );
    }

    public function extend(
        Request $request,
        GiftCard $card,
        LookAfterCards $look,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $look->extend(
            $card,
            TypedDate::of($request->input('until'))
                ?? throw Refused::because('bad_date', 'Type until when it is to be good.'),
            $request->string('reason')->trim()->value(),
            $by,
        );

        return redirect()->route('gift-cards.show', $card)->with('done', 'The card is extended.');
    }
}
