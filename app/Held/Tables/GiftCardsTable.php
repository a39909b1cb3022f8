<?php

declare(strict_types=1);

namespace Elmstone\Held\Tables;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Cards\KeptCode;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ChangedMeanwhile;
use Elmstone\Support\Tables\ImportReport;
use Elmstone\Support\TypedDate;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** Gift cards of the books before, each with what is owed on it: posted one by one against the opening balances. */
final class GiftCardsTable implements BringsIn
{
    /** @var array<string, int> lines by number */
    private array $seen = [];

    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly GiftCardLedger $cards,
        private readonly AtTill $atTill,
        private readonly Factory $auth,
    ) {
    }

    public function key(): string
    {
        return 'gift-cards';
    }

    public function title(): string
    {
        return 'Gift cards';
    }

    /** What was there before is worth money out of nothing: the owner’s to say. */
    public function abilities(): array
    {
        return ['set-house'];
    }

    public function words(): string
    {
        return 'What is owed on each card from before. A number of 16 digits that begins with 9 stays the card’s. Any '
            .'other number goes into the document’s words, and the card gets a new number, which its page prints; an '
            .'empty number too. Without a last day a card holds as new ones do. What goes out has the last four digits '
            .'only: nobody here knows the numbers.';
    }

    public function columns(): array
    {
        return ['number', 'amount', 'expires_on'];
    }

    public function needed(): array
    {
        return ['amount'];
    }

    public function most(): int
    {
        return 5_000;
    }

    public function example(): array
    {
        return [['9000000000000001', '25.00', '2029-12-31'], ['OLD-4471', '10.00', '']];
    }

    public function rows(): iterable
    {
        foreach (GiftCard::query()->with('account')->orderBy('id')->lazyById(500) as $card) {
            yield [$card->masked(), $card->account->balance->toString(), $card->expires_on?->format('Y-m-d') ?? ''];
        }
    }

    public function check(iterable $rows, ImportReport $report): void
    {
        $owed = $this->house->money(0);
        $this->each(
            $rows,
            static function (int $line, OpeningCard|Refused $card, string $name) use ($report, &$owed): void {
                if ($card instanceof Refused) {
                    $report->complain($line, $name, $card->getMessage());
                } else {
                    $report->fine(false);
                    $owed = $owed->plus($card->amount);
                }
            },
        );
        $report->comesTo = Show::money($owed).' owed on them.';
    }

    public function write(iterable $rows, string $digest, callable $brought): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw Refused::because('nobody', 'Nobody is signed in.');
        $cards = [];
        $this->each($rows, static function (int $line, OpeningCard|Refused $card) use (&$cards): void {
            $card instanceof Refused && throw ChangedMeanwhile::at($line, $card);
            $cards[] = $card;
        });
        $at = PostedAt::till($this->atTill->till(), $by->id);
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "opening gift cards {$digest}")->toString();
        $this->books->post(
            Posting::under($key)->locking(static fn (): bool => true)->writing(
                function () use ($cards, $at, $key, $brought): int {
                    $this->atTill->till()->location->assertOpenOn($at->day);

                    foreach ($cards as $i => $card) {
                        $this->one($card, $at, Uuid::uuid5(Uuid::fromString($key), (string) $i)->toString());
                        $brought();
                    }

                    return count($cards);
                },
            ),
        );
    }

    private function one(OpeningCard $opening, PostedAt $at, string $key): void
    {
        $card = $this->cards->issue($at->day, $opening->code);
        $opening->expires === null || $card->update(['expires_on' => $opening->expires->format('Y-m-d')]);
        $document = $this->books->document($this->draft($opening, $card, $at, $key));
        $this->cards->put($card, $document, $opening->amount, $at->day);
    }

    private function draft(OpeningCard $opening, GiftCard $card, PostedAt $at, string $key): DocumentDraft
    {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));

        return DocumentDraft::of(DocumentKind::Adjustment, $at, $key, $terms, $nothing)
            ->moving(MoneyEntry::openingHeld(HeldKind::GiftCard, $opening->amount))
            ->to(new Party)
            ->noting("Gift card {$card->masked()}".($opening->was === '' ? '' : ", before: {$opening->was}"));
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows
     * @param  callable(int, OpeningCard|Refused, string): void  $take
     */
    private function each(iterable $rows, callable $take): void
    {
        $this->seen = [];

        foreach ($rows as $line => $row) {
            try {
                $card = $this->read($line, $row);
            } catch (Refused $refused) {
                $card = $refused;
            }

            $take($line, $card, $row['number'] ?? '');
        }
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws Refused
     */
    private function read(int $line, array $row): OpeningCard
    {
        $number = trim($row['number'] ?? '');
        $code = CardCode::looksLikeOne($number) ? CardCode::of($number) : null;
        str_contains($number, '•') && throw Refused::because(
            'masked',
            'That is the end of a number, as it goes out: it says of no card that it is another one.',
        );
        mb_strlen($number) <= 60 || throw Refused::because('too_long', 'A number has up to 60 letters.');
        $seen = $number === '' ? null : $this->seen[mb_strtolower($number)] ?? null;
        $seen === null || throw Refused::because('twice', "Line {$seen} has this number already.");
        $this->seen[mb_strtolower($number)] = $line;
        $taken = $code !== null && DB::table('gift_card_codes')->where('code', KeptCode::of($code))->exists();
        $taken && throw Refused::because('card_code_taken', 'A card has this number already.');
        $amount = $this->house->fitting(Money::of(
            TypedNumber::plain($row['amount'] ?? ''),
            $this->house->currency(),
        ));
        $amount->isPositive() || throw Refused::because('no_amount', 'How much is owed on it? More than nothing.');

        return new OpeningCard($code, $code === null ? $number : '', $amount, self::day($row['expires_on'] ?? ''));
    }

    /** @throws Refused bad_date */
    private static function day(string $typed): ?CarbonImmutable
    {
        if ($typed === '') {
            return null;
        }

        $day = TypedDate::of($typed);

        return $day !== null && $day->greaterThanOrEqualTo(ShopTime::today()) ? $day
            : throw Refused::because('bad_date', 'Its last day is today or later, written as 2029-12-31.');
    }
}
