<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Closure;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardSubject;
use Elmstone\Cards\CardTill;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Approvals\Approve;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Money that was held is handed back from a page of the office: what needs approval is allowed first, then the cards
 * are paid back by their terminals, each under a question that is written down, then one document says all of it.
 * Whatever breaks, the questions are found again and nothing is paid twice.
 */
final class HandBack
{
    public function __construct(
        private readonly CardTill $cards,
        private readonly OntoCards $giftCards,
        private readonly Approve $approve,
        private readonly House $house,
    ) {
    }

    /**
     * Has terminals pay the cards back, one after the other. Before the transaction that posts.
     *
     * @param  Closure(): (Plan|null)  $decide in a transaction: locks what it is for, refuses whatever hinders it, and
     *     says what goes back by which ways; null: it is done already
     *
     * @throws Refused card_unknown, card_refused, card_reserved, and what the decision refuses
     */
    public function toCards(CardSubject $subject, Closure $decide, Till $till, Staff $by): void
    {
        $this->settleOpen($subject);

        while (
            (
                $request = DB::transaction(fn (): ?CardRequest => $this->next($subject, $decide(), $till, $by), 3)
            ) !== null
        ) {
            $request = $this->cards->ask($request);

            match ($request->state) {
                CardState::Approved => null,
                CardState::Declined => throw Refused::because(
                    'card_refused',
                    "The terminal refused to pay the card back: {$request->reason} Nothing was posted. Try again, or "
                        .'choose another way, which somebody else has to approve.',
                ),
                CardState::OffLine => throw Refused::because(
                    'card_refused',
                    'The terminal is off line, so the card cannot be paid back now. Nothing was posted. Try again, or '
                        .'choose another way, which somebody else has to approve.',
                ),
                default => throw self::unknown(),
            };
        }
    }

    /** What was asked and has no answer yet is asked again of its terminal. */
    private function settleOpen(CardSubject $subject): void
    {
        foreach (
            self::pending($subject)->filter(
                static fn (CardRequest $request): bool => $request->state->isOpen(),
            ) as $request
        ) {
            if ($this->cards->askAgain($request)->state->isOpen()) {
                throw self::unknown();
            }
        }
    }

    private static function unknown(): Refused
    {
        return Refused::because(
            'card_unknown',
            'The terminal gave no answer. Nothing was posted yet; press the same again, and it will be asked what '
                .'became of it. The card is not paid twice.',
        );
    }

    private function next(CardSubject $subject, ?Plan $plan, Till $till, Staff $by): ?CardRequest
    {
        if ($plan === null) {
            return null;
        }

        $this->giftCards->assertUsable(array_keys($plan->giftCards()));
        $gone = [];

        foreach (self::pending($subject) as $request) {
            $gone = Brought::plus($gone, [$request->against => $request->atStake()]);
        }

        $cards = $plan->cards();

        foreach ($gone as $authorisation => $amount) {
            if (! isset($cards[$authorisation]) || $amount->exceeds($cards[$authorisation])) {
                throw Refused::because(
                    'card_reserved',
                    "{$amount->toString()} went back to the card ending {$this->card(
                        (string) $authorisation,
                    )['last_four']} already, so at least that goes back by card.",
                );
            }
        }

        foreach ($cards as $authorisation => $amount) {
            $more = isset($gone[$authorisation]) ? $amount->minus($gone[$authorisation]) : $amount;

            if ($more->isPositive()) {
                return $this->cards->write($subject, $till, $by, $more, (string) $authorisation);
            }
        }

        return null;
    }

    /**
     * Money paid back to cards, or asked for, that no document says yet.
     *
     * @return Collection<int, CardRequest>
     */
    public static function pending(CardSubject $subject): Collection
    {
        return CardRequest::query()
            ->with('till')
            ->where('subject', $subject->kind)
            ->where('subject_id', $subject->id)
            ->where('against', '<>', '')
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->orderBy('id')
            ->get();
    }

    /**
     * Everything that terminals paid stands in the document, no more and no less; gift cards are worth what they paid
     * again. In the transaction that posts it, the thing locked.
     *
     * @throws Refused card_unknown, card_reserved
     */
    public function posted(CardSubject $subject, Plan $plan, int $document): void
    {
        $paid = [];
        $pending = self::pending($subject);

        foreach ($pending as $request) {
            $request->state->isOpen() && throw self::unknown();
            $paid = Brought::plus($paid, [$request->against => $request->approved]);
        }

        $written = static fn (Money $amount): string => $amount->toString();
        [$paid, $cards] = [array_map($written, $paid), array_map($written, $plan->cards())];
        ksort($paid);
        ksort($cards);

        if ($paid !== $cards) {
            throw Refused::because(
                'card_reserved',
                'What the terminal paid back is not what goes back by card. Look at the sums again.',
            );
        }

        CardMoney::posted($pending, $document);

        foreach ($plan->giftCards() as $card => $amount) {
            $this->giftCards->pay($card, $document, $amount, ShopTime::today());
        }
    }

    /**
     * Locks the gift cards among the ways something was paid by. Where gift cards are locked in the ladder.
     *
     * @param  array<string, Money>  $ways by way
     */
    public function lockGiftCards(array $ways): void
    {
        $this->giftCards->lock(array_map(intval(...), array_keys(Way::among($ways, TenderKind::GiftCard))));
    }

    /**
     * @param  list<Need>  $needs
     *
     * @throws Refused the first that nobody has allowed
     */
    public function assertAllowed(Staff $by, ?GivenApproval $given, array $needs): void
    {
        foreach ($needs as $need) {
            $given === null ? throw $need->refused : $this->approve->assertMay($given, $by, $need);
        }
    }

    /**
     * @param  list<Need>  $needs
     * @return list<array{string, Need, Approval}> as the document keeps them
     */
    public function allow(Staff $by, ?GivenApproval $given, array $needs): array
    {
        $this->assertAllowed($by, $given, $needs);

        return $given === null
            ? []
            : array_values(
                array_map(
                    fn (Need $need): array => [$need->place, $need, $this->approve->handle($given, $by, $need, null)],
                    $needs,
                ),
            );
    }

    /**
     * Cash as it changes hands; cards under the authorisation they were taken by.
     *
     * @param  string  $reference of the shop's cheque or transfer
     * @param  list<TenderKind>  $except kinds that are not handed over by the document
     * @return array{list<DraftTender>, Money, Money} the tenders, what they pay back, what cash is rounded by
     */
    public function tenders(Plan $plan, string $reference, array $except = []): array
    {
        [$tenders, $total, $rounding] = [[], $this->house->money(0), $this->house->money(0)];

        foreach ($plan->ways as $way => $amount) {
            $kind = Way::read($way)->kind ?? TenderKind::Cash;

            if (in_array($kind, $except, true)) {
                continue;
            }

            [$paid, $rounded] = $this->house->handedOver($amount, $kind);
            $which = Way::read($way)->which ?? '';
            $card = $kind === TenderKind::Card ? $this->card($which) : ['card_type' => '', 'last_four' => ''];
            $tenders[] = new DraftTender(
                Tender::of($kind, $paid),
                $paid,
                in_array($kind, [TenderKind::Cheque, TenderKind::BankTransfer], true)
                    ? mb_substr($reference, 0, 60)
                    : '',
                $card['card_type'],
                $card['last_four'],
                $which,
            );
            $total = $total->plus($amount);
            $rounding = $rounding->plus($rounded);
        }

        return [$tenders, $total, $rounding];
    }

    /** @return array{card_type: string, last_four: string} */
    private function card(string $authorisation): array
    {
        $row = DB::table('document_tenders')
            ->where('kind', TenderKind::Card->value)
            ->where('authorisation', $authorisation)
            ->first(['card_type', 'last_four']);

        return ['card_type' => (string) ($row->card_type ?? ''), 'last_four' => (string) ($row->last_four ?? '')];
    }
}
