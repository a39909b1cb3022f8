<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Customers\Customer;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** `<x-rewards :$customer/>`: their points, or that they can join; nothing without a programme. */
final class Member extends Component
{
    /** @var int|null null: they do not take part */
    public ?int $points = null;

    public string $words = '';

    public bool $mayJoin;

    /** @param  bool  $brief beside a name at the counter: leaving is for their page */
    public function __construct(public Customer $customer, RewardTerms $terms, public bool $brief = false)
    {
        $programme = $customer->isMerged() ? null : $terms->programme();
        $this->mayJoin = $programme !== null && $customer->rewards_on === null;

        if ($programme !== null && $customer->rewards_on !== null) {
            $this->points = Points::of($customer->id);
            $missing = $programme->threshold - $this->points;
            $this->words = $missing > 0
                ? number_format($missing)." to the next {$programme->reward->toString()}"
                : "{$programme->rewards($this->points)->rewards->toString()} with the next sale";
        }
    }

    public function shouldRender(): bool
    {
        return $this->points !== null || $this->mayJoin;
    }

    public function render(): View
    {
        return view('rewards.member');
    }
}
