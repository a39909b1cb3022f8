<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Closure;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\Cards\TakeCard;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Ramsey\Uuid\Uuid;

/** Somebody at a till who settles and posts slips as the counter does, asks for approval where it is needed. */
final class DemoClerk
{
    private int $acts = 0;

    public function __construct(
        private readonly House $house,
        private readonly SlipDesk $desk,
        private readonly ApproveNeeds $approve,
        private readonly TakeCard $card,
        private readonly CountTender $count,
        private readonly PostSale $post,
    ) {
    }

    /**
     * @param  int  $turn which of the five clerks, at which of the first two tills
     * @return array{string, Closure(int|null=): Act}
     */
    public function slip(string $name, int $turn): array
    {
        $staff = $this->staff((string) (101 + ($turn % 5)));
        $till = $this->till(($turn % 2) + 1);

        return [
            $this->key($name),
            fn (?int $version = null): Act => new Act($this->key("{$name} ".++$this->acts), $staff, $till, $version),
        ];
    }

    /**
     * What is due is paid, and the slip posted.
     *
     * @param  Closure(int|null=): Act  $act
     * @param  int  $way 0 cash, 1 card
     */
    public function settle(string $slip, Closure $act, int $way = 0): void
    {
        $read = $this->desk->read($slip, $act());

        if (ReckonedCounter::of($read, $this->house)->needs->open() !== []) {
            $read = $this->approve->handle(
                $slip,
                $act()->with(new GivenApproval($this->staff('901'), 'looked at, all in order')),
                null,
            );
        }

        $reckoned = ReckonedCounter::of($read, $this->house);
        $due = $reckoned->outstanding();
        $reckoned->isRefund() || ! $due->isPositive() || ($read = match ($way) {
            1 => $this->card->handle($slip, $act(), $due),
            default => $this->count->cash($slip, $act(), $due),
        });
        $this->post->handle($slip, $act($read->version));
    }

    /** An act somebody else has looked at. */
    public function approved(string $name): Act
    {
        return new Act(
            $this->key("{$name} ".++$this->acts),
            $this->staff('101'),
            $this->till(1),
            null,
            new GivenApproval($this->staff('901'), 'looked at it myself'),
        );
    }

    /**
     * What goods on a slip come to, as a figure that can be typed.
     *
     * @param  Closure(int|null=): Act  $act
     */
    public function due(string $slip, Closure $act): string
    {
        return ReckonedCounter::of($this->desk->read($slip, $act()), $this->house)->sums->total->toString();
    }

    public function posted(string $slip): Slip
    {
        return Slip::query()->where('key', $slip)->firstOrFail();
    }

    public function key(string $name): string
    {
        return Uuid::uuid5(Uuid::NAMESPACE_OID, "demo {$name}")->toString();
    }

    public function staff(string $number): Staff
    {
        return Staff::query()->where('number', $number)->firstOrFail();
    }

    public function till(int $number): Till
    {
        return DemoTills::till($number);
    }
}
