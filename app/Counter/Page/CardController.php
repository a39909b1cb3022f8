<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\Cards\GiveCardBack;
use Elmstone\Counter\Settle\Cards\KeyCard;
use Elmstone\Counter\Settle\Cards\TakeCard;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\KeptCards\AskedOnFile;
use Elmstone\KeptCards\Consent;
use Elmstone\KeptCards\KeepCards;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The row of the Settle band that cards pay by. */
final class CardController
{
    public function __construct(private readonly CounterPage $page, private readonly House $house)
    {
    }

    public function card(Request $request, string $slip, TakeCard $card): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'card',
            'card',
            fn (Act $act) => $card->handle(
                $slip,
                $act,
                $this->house->typedMoney($request->string('card')->value()),
                $request->filled('seen') ? $request->integer('seen') : null,
                $request->boolean('another'),
            ),
        );
    }

    public function onFile(Request $request, string $slip, TakeCard $card): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'on_file',
            'on_file_amount',
            fn (Act $act) => $card->handle(
                $slip,
                $act,
                $this->house->typedMoney($request->string('on_file_amount')->value()),
                $request->filled('seen') ? $request->integer('seen') : null,
                $request->boolean('another'),
                new AskedOnFile(
                    $request->integer('on_file'),
                    $request->boolean('absent'),
                    $request->string('postcode')->trim()->value(),
                    $request->string('number')->trim()->value(),
                ),
            ),
        );
    }

    /** A card of theirs is put on file while they stand there. */
    public function keepCard(Request $request, string $slip, KeepCards $keep, SlipDesk $desk): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'on_file',
            'on_file_amount',
            static function (Act $act) use ($request, $slip, $keep, $desk): Slip {
                $customer = $desk->read($slip, $act)->customer ?? throw Refused::because(
                    'needs_customer',
                    'A card is kept for a named customer. Put them on the slip first.',
                );
                $keep->keep(
                    $customer,
                    $act->till,
                    $act->by,
                    Consent::tryFrom($request->string('consent')->value()),
                    '',
                    $act->key,
                );

                return $desk->read($slip, $act);
            },
        );
    }

    public function confirm(Request $request, string $slip, int $card, TakeCard $take): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "card.{$card}",
            'approver',
            static fn (Act $act) => $take->confirm($slip, $act, $card, $request->boolean('off')),
        );
    }

    public function askAgain(Request $request, string $slip, int $card, TakeCard $take): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'card',
            'card',
            static fn (Act $act) => $take->askAgain($slip, $act, $card),
        );
    }

    public function key(Request $request, string $slip, int $card, KeyCard $key): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "card.{$card}",
            'authorisation',
            static fn (Act $act) => $key->handle(
                $slip,
                $act,
                $card,
                $request->string('authorisation')->trim()->value(),
                $request->string('last_four')->trim()->value(),
            ),
        );
    }

    public function giveBack(Request $request, string $slip, int $card, GiveCardBack $back): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "card.{$card}",
            'card',
            static fn (Act $act) => $back->handle($slip, $act, $card),
        );
    }
}
