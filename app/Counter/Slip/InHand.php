<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Coupons\CouponRecord;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Layaways\Layaway;
use Elmstone\Orders\Order;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;

/** What is known of a slip while it is in hand: read or reckoned with it, and nothing of its row. */
trait InHand
{
    /**
     * As it was reckoned when it was last changed in this request, so that it need not be reckoned again to be drawn.
     */
    public ?ReckonedCounter $reckoned = null;

    /** What the page says was done beside it. */
    public string $said = '';

    /** Where, when and by whom it is posted; null: it is not yet. */
    public ?PostedAt $postedAt = null;

    /** Who sells it, in words; empty: who serves. */
    public string $soldBy = '';

    /** The same as it would be typed. */
    public string $soldByText = '';

    /** The day it was read on: at the turn of midnight, too, an act has one. */
    private ?CarbonImmutable $today = null;

    /** Who stands at the till with it; null: who began it. */
    public ?Staff $by = null;

    /** How the customer's house account stands; null: they have none. */
    public ?AccountStanding $account = null;

    /** What is held for the customer in deposits; null: there is no customer. */
    public ?KeptFor $deposits = null;

    /** @var array<int, Layaway> by id: those something is paid on */
    public array $paidOn = [];

    /** @var array<int, Order> by id: those something is paid on or supplied of */
    public array $orders = [];

    /** What of store credit is theirs; null: nothing is. */
    public ?Money $storeCredit = null;

    /** Their store credit, locked, while it is posted. */
    public ?HeldAccount $creditAccount = null;

    /** @var array<string, GiftCard> by number: those on the slip */
    public array $giftCards = [];

    /** @var Collection<int, CouponRecord>|null by id: those on the slip; null: not read */
    public ?Collection $couponsShown = null;

    /** @var array<int, Document> by id: what its goods were sold on that come back */
    public array $originals = [];

    /** @var Collection<int, Stock>|null by item: what this place has of what is on it; null: not read */
    public ?Collection $stock = null;
}
