<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\OnItsWay;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Sends a reminder letter: its fee is posted to the account and what it says is kept in one, each account once a day;
 * a mail is noted before it goes, so that none goes twice.
 */
final readonly class SendLetters
{
    /** Days that a letter leaves to pay. */
    private const TO_PAY = 10;

    public function __construct(
        private DueLetters $due,
        private LetterPaper $paper,
        private FeeDraft $fees,
        private Books $books,
        private Ledger $ledger,
        private Mailbox $mailbox,
    ) {
    }

    /**
     * @return Letter|null null: none is due any more, or it went today already
     *
     * @throws Refused day_closed
     */
    public function send(int $customer, Till $till, Staff $by): ?Letter
    {
        $day = ShopTime::today();
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "letter {$customer} {$day->format('Y-m-d')}")->toString();
        $made = $this->books->post(
            Posting::under($key)
                ->locking(fn (): ?HouseAccount => $this->ledger->lockIfAny($customer))
                ->writing(function (?HouseAccount $account) use ($day, $key, $till, $by): int {
                    $due = $account === null || $this->isSent($account, $day)
                        ? null
                        : $this->due->on($day, $account->customer_id)[0] ?? null;

                    return $account === null || $due === null
                        ? 0
                        : $this->write($account, $due, $day, $key, $till, $by);
                }),
        );
        $letter = Letter::query()->with('customer')->find($made);
        $letter === null || $this->mail($letter);

        return $letter;
    }

    private function isSent(HouseAccount $account, CarbonImmutable $day): bool
    {
        return Letter::query()->where('customer_id', $account->customer_id)->where('sent_on', $day)->exists();
    }

    private function write(
        HouseAccount $account,
        DueLetter $due,
        CarbonImmutable $day,
        string $key,
        Till $till,
        Staff $by,
    ): int {
        $payBy = $day->addDays(self::TO_PAY);
        $fee = $due->level->fee->isZero() ? null : $this->fee($account, $due, $payBy, $key, $till, $by);
        $customer = $due->account->customer;
        $letter = Letter::query()->create([
            'customer_id' => $account->customer_id,
            'staff_id' => $by->id,
            'level' => $due->level->number,
            'state' => 'made',
            'way' => $customer->mail === '' ? StatementWay::Print : StatementWay::Mail,
            'total' => $due->total(),
            'fee_document_id' => $fee?->id,
            'sent_on' => $day,
            'data' => $this->paper->of($due, $day, $payBy, $fee?->label),
        ]);
        DB::table('letter_items')->insert(array_map(static fn (LateItem $late): array => [
            'letter_id' => $letter->id,
            'document_id' => $late->item->document_id,
            'level' => $late->level,
            'open' => $late->open,
        ], $due->items));

        return $letter->id;
    }

    private function fee(
        HouseAccount $account,
        DueLetter $due,
        CarbonImmutable $payBy,
        string $key,
        Till $till,
        Staff $by,
    ): Document {
        $till->location->loadMissing('taxProfile.components')->assertOpenOn(ShopTime::today());
        $draft = $this->fees->draft(
            $due->level->title(),
            $due->level->fee,
            null,
            $till->location,
            PostedAt::till($till, $by->id, ShopTime::today()),
            new Party(
                $account->customer_id,
                $due->account->customer->name,
                due: $payBy,
                balanceBefore: $account->balance,
            ),
            Uuid::uuid5(Uuid::fromString($key), 'fee')->toString(),
            [new DraftTender(Tender::of(TenderKind::HouseAccount, $due->level->fee), $due->level->fee)],
            "{$due->level->title()}, ".count($due->items).' late',
        );
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);

        return Document::query()->findOrFail($document);
    }

    /** Mails one that is made; nothing where somebody else does, or it went. */
    public function mail(Letter $letter): void
    {
        $noted = Letter::query()->whereKey($letter->id)->where('way', StatementWay::Mail)->where('state', 'made')
            ->update(['state' => OnItsWay::STATE, 'mailing_at' => now()->format('Y-m-d H:i:s.v')]);

        if ($noted !== 1) {
            return;
        }

        try {
            $this->mailbox->deliver(new Mail(
                $letter->customer->mail,
                "{$this->text($letter, 'title')}: account {$this->text($letter, 'account')}",
                "{$this->text($letter, 'words')}\n\n{$this->text($letter, 'total')} {$this->text($letter, 'currency')} "
                    ."is to be paid by {$this->text($letter, 'pay_by')}; the letter is attached.\n\n"
                    ."{$this->text($letter, 'shop')}\n",
                "reminder-{$this->text($letter, 'account')}.pdf",
                $this->paper->pdf([$letter]),
                $letter->customer_id,
            ));
        } catch (DeviceFailed $failed) {
            Letter::query()->whereKey($letter->id)
                ->update(['state' => 'failed', 'trouble' => mb_substr($failed->getMessage(), 0, 255)]);

            return;
        }

        Letter::query()->whereKey($letter->id)->update(['state' => 'mailed', 'trouble' => '']);
    }

    private function text(Letter $letter, string $what): string
    {
        $text = $letter->data[$what] ?? '';

        return is_string($text) ? $text : '';
    }

    /** It did not go, or nobody knows: it goes again. */
    public function mailAgain(Letter $letter): void
    {
        OnItsWay::mayGoAgain(Letter::query()->whereKey($letter->id))->update(['state' => 'made']);
        $this->mail($letter->refresh());
    }
}
