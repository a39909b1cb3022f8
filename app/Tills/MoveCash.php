<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/**
 * Cash that comes and goes in a session besides sales: more of it from the safe, a drop into the safe, petty cash. What
 * is spent passes the one gate of money out; what only changes its place does not.
 */
final class MoveCash
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Gate $gate,
        private readonly HandBack $back,
    ) {
    }

    /**
     * @param  string  $account what petty cash is spent on, one of Accounts::PETTY
     * @return int the document's id
     *
     * @throws Refused not_open, till_counted, no_amount, reason_missing, no_account, and what needs approval
     */
    public function handle(
        Till $till,
        Purpose $purpose,
        Money $amount,
        string $account,
        string $reason,
        Staff $by,
        string $key,
        ?GivenApproval $given = null,
    ): int {
        in_array($purpose, Purpose::movingCash(), true)
            || throw Refused::because('no_such_move', 'Say what it is: from the safe, a drop, or petty cash.');
        $amount->isPositive() || throw Refused::because('no_amount', 'Type how much.');
        $isSpent = $purpose === Purpose::PettyCash;

        if ($isSpent && $reason === '') {
            throw Refused::because('reason_missing', 'Write what it is spent on, as the receipt says.');
        }

        if ($isSpent && ! isset(Accounts::PETTY[$account])) {
            throw Refused::because('no_account', 'Say what kind of expense it is.');
        }

        return $this->books->post(
            Posting::under($key)
                // Also where nothing is spent: one form sent twice at once is posted once.
                ->locking(fn () => $this->gate->lock($by))
                ->writing(fn (): int => $this->write(
                    $till, $purpose, $amount, $isSpent ? $account : '', $reason, $by, $key, $given,
                )),
        );
    }

    private function write(
        Till $till,
        Purpose $purpose,
        Money $amount,
        string $account,
        string $reason,
        Staff $by,
        string $key,
        ?GivenApproval $given,
    ): int {
        $allowed = $this->back->allow($by, $given, $this->needs($purpose, $amount, $by));
        $document = $this->books->document(
            $this->posting->draft(
                PostedAt::till($till, $by->id),
                $purpose,
                $amount,
                TenderKind::Cash,
                $key,
                $reason,
                $account,
            ),
        );
        DocumentApprovals::keep($document, $allowed);
        // The session it went into, if any, is held open from here on.
        Document::query()->whereKey($document)->value('session_id')
            ?? throw Refused::because('not_open', "{$till->name} is not open.");

        return $document;
    }

    /** @return list<Need> */
    private function needs(Purpose $purpose, Money $amount, Staff $by): array
    {
        return $purpose === Purpose::PettyCash
            ? $this->gate->needs($by, ShopTime::today(), [new GoingOut(TenderKind::Cash, $amount)], 'petty')
            : [];
    }
}
