<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Closure;
use Elmstone\Agreements\SetAsideFor;
use Elmstone\Attachments\Summary;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\AddedLine;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Parts\PromiseLines;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Customers\AttachToCustomer;
use Elmstone\Customers\CustomerType;
use Elmstone\Devices\DeviceChoices;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Orders\FindOrders;
use Elmstone\Quotes\FindQuotes;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use Elmstone\Staff\Approvals\ApprovalAsk;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Elmstone\Tills\Rows;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Draws the counter page, whole or, after an act, in its parts. */
final class CounterPage
{
    /** Slips that are looked at for tabs, and hours that an empty one has one. */
    private const MOST_OPEN = 150;

    private const EMPTY_KEPT = 1;

    public function __construct(
        private readonly FindLayaways $findLayaways,
        private readonly FindOrders $findOrders,
        private readonly PromiseLines $promises,
        private readonly AtTill $atTill,
        private readonly House $house,
        private readonly Settings $settings,
        private readonly SlipDesk $desk,
        private readonly CustomerSees $customerSees,
        private readonly CheckApproval $checkApproval,
        private readonly OpenTill $openTill,
        private readonly DeviceChoices $choices,
    ) {
    }

    /** The act that a request asks for. */
    public function act(Request $request): Act
    {
        $staff = $request->user();
        $key = $request->string('act')->value();
        $version = $request->input('version');

        return new Act(
            Str::isUuid($key) ? $key : (string) Str::uuid(),
            $staff instanceof Staff ? $staff : abort(403),
            $this->atTill->till(),
            is_numeric($version) ? (int) $version : null,
        );
    }

    /**
     * Does something and draws the page's parts again; what is refused is said beside the field it was typed in.
     *
     * @param  string  $field where the act was typed; its input of that name is what was typed
     * @param  Closure(Act): (Slip|AddedLine|null)  $do what it gives is drawn without being read again
     */
    public function after(Request $request, string $slipKey, string $field, string $input, Closure $do): Response
    {
        $act = $this->act($request);
        $act->by->worksOn($slipKey);
        $done = null;

        try {
            $ask = ApprovalAsk::from($request);
            $done = $do($act->with($ask === null ? null : $this->checkApproval->handle($ask)));
            $complaint = Complaint::none();
        } catch (Refused $refused) {
            $complaint = Complaint::about($field, $refused, $request->string($input)->value());
        }

        $slip = match (true) {
            $done instanceof AddedLine => $done->slip,
            $done instanceof Slip => $done,
            default => $this->desk->read($slipKey, $act),
        };
        $data = $this->data($request, $slip, $act, $complaint, $done instanceof AddedLine ? $done->lineId : null);

        $data = $complaint->isOf('till_not_open') ? [...$data, ...$this->float($act)] : $data;
        $sound = match (true) {
            $complaint->isApprovable() => 'approval',
            $complaint->exists() => 'refused',
            $done instanceof AddedLine => 'taken',
            in_array($request->string('entry')->trim()->value(), $slip->unknown ?? [], true) => 'refused',
            default => '',
        };

        return response()
            ->view('counter.regions', $data, $complaint->exists() ? 422 : 200)
            ->header('X-Sound', $sound);
    }

    /** @return array<string, mixed> */
    public function whole(Request $request, string $slipKey, Act $act): array
    {
        $act->by->worksOn($slipKey);
        $drawer = OpenSessions::at($act->till->id);

        return [
            ...$this->data($request, $this->desk->read($slipKey, $act), $act, Complaint::none()),
            ...$drawer === null ? $this->float($act) : [],
            'drawer' => $drawer,
            'justSold' => Document::query()
                ->where('till_id', $act->till->id)
                ->where('business_date', ShopTime::today())
                ->whereNotIn('purpose', Purpose::withNobody())
                ->latest('id')
                ->limit(4)
                ->get(),
            'cleared' => Slip::query()
                ->where('location_id', $act->till->location_id)
                ->where('till_id', $act->till->id)
                ->where('state', SlipState::Cleared)
                ->where('updated_at', '>', now()->subHour())
                ->latest('updated_at')
                ->first(),
            'customerTypes' => CustomerType::query()->orderBy('name')->get(),
            'departments' => Department::query()->orderBy('name')->get(),
        ];
    }

    /** @return array<string, mixed> what a till that is not open is opened with, in place */
    private function float(Act $act): array
    {
        return $act->till->training
            ? []
            : ['carried' => $this->openTill->carried($act->till), 'units' => Rows::of($this->house)];
    }

    /** @return array<string, mixed> */
    private function data(
        Request $request,
        Slip $slip,
        Act $act,
        Complaint $complaint,
        ?int $fresh = null,
    ): array {
        $reckoned = $slip->reckoned ?? ReckonedCounter::of($slip, $this->house);
        $others = Slip::query()
            ->where('location_id', $act->till->location_id)
            ->where('state', SlipState::Open)
            ->where(
                // One that nothing was put on, or is again empty, goes from sight by itself.
                static fn (Builder $either) => $either->where('title', '<>', '')
                    ->orWhere('total', '<>', 0)
                    ->orWhere('updated_at', '>', now()->subHours(self::EMPTY_KEPT)),
            )
            ->orderByDesc('id')
            ->limit(self::MOST_OPEN)
            ->get(['id', 'key', 'till_id', 'customer_name', 'title', 'note', 'total', 'updated_at'])
            ->reverse()
            ->values();
        $this->customerSees->show($act->till, $reckoned);
        $letters = $this->settings->letters();
        $setAside = $this->setAside($slip);
        $available = $slip->stock ?? new Collection;

        return [
            'slip' => $slip,
            // What is done after posting is done to the next slip.
            'target' => $slip->isDone() ? (string) Str::uuid() : $slip->key,
            'reckoned' => $reckoned,
            'house' => $this->house,
            'till' => $act->till,
            'staff' => $act->by,
            'complaint' => $complaint,
            'fresh' => $fresh,
            'tabs' => $others->where('till_id', $act->till->id),
            'elsewhere' => $others
                ->where('till_id', '!=', $act->till->id)
                ->load('till')
                ->filter(static fn (Slip $other): bool => $other->till->training === $act->till->training),
            'letters' => $letters,
            'drawn' => DrawnLines::on($request, $reckoned, $complaint, $available, $setAside, $letters, $fresh),
            'exemptionRunOut' => $slip->customer?->claimsExemption() === true
                && ! $slip->customer->isExemptOn($slip->day()),
            'available' => $available,
            'setAside' => $setAside,
            'summary' => $slip->customer_id === null ? ''
                : Summary::of(AttachToCustomer::OF, $slip->customer_id),
            'waiting' => $slip->customer_id === null ? new Collection
                : $this->findLayaways->waiting($slip->customer_id),
            'waitingOrders' => $slip->customer_id === null ? new Collection
                : $this->findOrders->waiting($slip->customer_id),
            'waitingQuotes' => $slip->customer_id === null ? new Collection
                : FindQuotes::waiting($slip->customer_id),
            'terminal' => $this->choices->at($act->till, DeviceKind::Terminal),
            'lent' => $this->choices->lent($act->till),
            'beside' => $this->settings->tillsBeside($act->till)->where('id', '<>', $act->till->id),
            'cardsOnFile' => $slip->customer_id === null || $slip->isDone() ? new Collection
                : CardOnFile::of($slip->customer_id),
            ...$this->ordering($slip, $reckoned),
        ];
    }

    /** @return array<string, mixed> what a slip needs that is to become an order */
    private function ordering(Slip $slip, ReckonedCounter $reckoned): array
    {
        $draft = $slip->isDone() ? null : $reckoned->order();

        return $draft === null
            ? []
            : ['places' => $this->settings->locations(), 'promises' => $this->promises->of($slip, $draft)];
    }

    /** @return array<int, list<object>> for whom what is short is set aside, by item */
    private function setAside(Slip $slip): array
    {
        $short = $slip->lines
            ->filter(static fn (LineOnSlip $line): bool => $line->takesCommitted($slip->stock?->get($line->item_id)))
            ->pluck('item_id')
            ->all();

        return $short === [] ? [] : SetAsideFor::of($short, $slip->location_id);
    }
}
