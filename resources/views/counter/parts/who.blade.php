@use('Elmstone\Core\Receivables\ChargeReason')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Accounts\StandingBar')
@php($customer = $slip->customer)
@php($account = $slip->account)
@php($locked = $slip->isDone())
<section class="who" id="who" data-part aria-label="Who">
    <h2 class="band-name">Who</h2>
    @if($customer === null)
        <p class="who-name h4 fw-bold mb-1">Walk-in</p>
        <p class="soft small mb-3">{{ $locked ? 'posted'
            : 'pays now' }} · list prices · {{ $slip->taxPlace()->name }}</p>
    @else
        <div class="who-standing">
        <p class="who-name h4 fw-bold mb-1">
        <a class="plain" href="{{ route('customers.show', $customer) }}">{{ $slip->customer_name }}</a></p>
        <p class="soft small mb-2">@if($account === null)Customer {{ $customer->number }} · no account
            @else<a class="soft" href="{{ route('accounts.show', $customer) }}">Account {{ $customer->number }}</a> ·
            {{ $account->account->terms()->words() }}@endif ·
                {{ $customer->type?->priceLevel->name ?? 'list' }} price</p>
        @unless($locked)<x-rewards :$customer brief/>@endunless
        @if($summary !== '')<p class="small mb-2">{{ $summary }}</p>@endif
        @if($account !== null)
            @php($adds = $locked ? null
                : $slip->charge ?? ($slip->lines->isEmpty() ? $house->money(0) : $reckoned->due()->chargeable()))
            {!! StandingBar::svg($account, $adds) !!}
            <p class="standing-words">
            @if($account->late->isPositive())<span
                class="ochre">late {{ Show::whole($account->late) }}</span>@endif <span>not due
                    {{ Show::whole($account->notDue) }}</span> @if($account->standing->orders->isPositive())<span
                        >on order {{ Show::whole($account->standing->orders) }}</span>@endif
                        @if($adds?->isPositive())<span class="verdigris">this {{ Show::whole($adds) }}</span>@endif</p>
        @endif
        </div>
        <div class="who-notes">
        @if($account !== null)
            @if($account->account->stopped)
                <div class="note stop"><p><strong>On stop.</strong> {{ $account->account->stop_reason }}</p></div>
            @endif
            @unless($locked)
                @if($account->standing->available()->isNegative())
                    <div class="note stop"><p>
                    <strong>{{ Show::money($account->standing->available()
                        ->negated()) }} over the limit.</strong> A supervisor or the office can approve more.</p></div>
                @elseif($adds !== null && $adds->exceeds($account->standing->available()))
                    <div class="note stop"><p>
                    <strong>{{ $adds->minus($account->standing->available()) }} over the limit</strong>
                        with all of this. A supervisor or the office can approve.</p></div>
                @endif
                @if($account->oldestLate > 0)
                    <div class="note {{ $account->standing->isOverdue() ? 'stop' : 'look' }}"><p>
                    <strong>Oldest item {{ $account->oldestLate }} {{ $account->oldestLate === 1 ? 'day'
                        : 'days' }} late.</strong> Allowed: {{ $account->account->allowed_overdue_days }}.</p></div>
                @endif
            @endunless
        @endif
        @if($exemptionRunOut)
            <div class="note stop"><p>
            <strong>Exemption ran out{{ $customer->certificate_expires === null ? ''
                : ' on '.Show::date($customer->certificate_expires) }}.</strong> Tax is charged. Certificate
                    {{ $customer->certificate }}.</p></div>
        @elseif($customer->claimsExemption())
            <div class="note">
            <p>Exempt from {{ $customer->isExemptFromEverything() ? 'tax'
                : implode(', ',
                    $slip->taxPlace()->components->whereIn('code',
                        $customer->exempt)->pluck('name')
                            ->all()) }}, certificate {{ $customer->certificate }} until
                                {{ Show::date($customer->certificate_expires) }}.</p></div>
        @endif
        @foreach($customer->notes->where('at_counter', true) as $note)
            <div class="note"><p>“{{ $note->text }}”</p></div>
        @endforeach
        </div>
        @unless($locked)
            <div class="who-fields">
                @if($customer->contacts->where('active', true)->isNotEmpty())
                    <label for="contact">Buying</label>
                    <select class="form-select" id="contact" name="contact"
                        data-save="{{ route('counter.party', $slip->key) }}">
                        <option value="">not said</option>
                        @foreach($customer->contacts->where('active', true) as $contact)
                        <option value="{{ $contact->id }}"
                            @selected($slip->contact_id === $contact->id)>{{ $contact->name }}{{ $contact->may_buy ? ''
                                : ' (may not buy)' }}</option>@endforeach
                    </select>
                @endif
                <label for="purchase_order">Purchase order{{ $account?->account->purchase_order_required ? ' *'
                    : '' }}</label>
                <input class="form-control" id="purchase_order" name="purchase_order" maxlength="40" autocomplete="off"
                    placeholder="{{ $account?->account->purchase_order_required ? 'wanted' : 'none' }}"
                        data-save="{{ route('counter.party', $slip->key) }}" value="{{ $slip->purchase_order }}">
                <label for="job">Job</label>
                <input class="form-control" id="job" name="job" maxlength="60" autocomplete="off" placeholder="none"
                    data-save="{{ route('counter.party', $slip->key) }}" value="{{ $slip->job }}">
            </div>
            @if($slip->contact !== null && ! $slip->contact->may_buy)
            <p class="complaint">{{ $slip->contact->name }} may not buy on this account.</p>@endif
        @else
            @if($slip->purchase_order !== '')<p class="small soft mb-1">Purchase order {{ $slip->purchase_order }}</p>
            @endif
        @endunless
        <div class="who-waiting">
        @if($account?->credit->isPositive() || $slip->storeCredit?->isPositive()
            || $slip->deposits?->total()->isPositive()
            || $waiting->isNotEmpty() || $waitingOrders->isNotEmpty()
            || $waitingQuotes->isNotEmpty())
            <h2 class="band-name mt-3">Waiting for them</h2>
            <table class="ruled small waiting">
                @if($account?->credit->isPositive())<tr><td>Unused credit</td>
                <td class="figure">{{ $account->credit }}</td></tr>@endif
                @if($slip->storeCredit?->isPositive())<tr><td>Store credit</td>
                <td class="figure">{{ $slip->storeCredit }}</td></tr>@endif
                @foreach($slip->deposits->parts as $keptFor => $held)<tr>
                <td>{{ $keptFor === '' ? 'Deposit held' : "Deposit for {$keptFor}" }}</td>
                <td class="figure">{{ $held }}</td></tr>@endforeach
                @foreach($waiting as $layaway)
                    @php($isReady = $layaway->state->value === 'ready')
                    <tr><td><a href="{{ route('layaways.show', $layaway) }}">{{ $layaway->label }}</a>
                    <div class="{{ $layaway->isExpired($slip->day()) || $layaway->isBehind($slip->day()) ? 'ochre'
                        : 'soft' }}">{{ $isReady ? 'paid, to collect'
                            : ($layaway->isExpired($slip->day()) ? 'expired'
                                : ($layaway->isBehind($slip->day()) ? 'behind since '.Show::date($layaway->next_due)
                                    : 'next '.Show::date($layaway->next_due))) }}{{ $layaway->shelf === '' ? ''
                                        : " · {$layaway->shelf}" }}</div></td>
                        <td class="figure">{{ $isReady ? '' : Show::money($layaway->remaining()) }}
                            @if(! $locked && $slip->layaway($layaway->id) === null)<div>
                            <button type="button" class="link-act"
                                data-sends="{{ route('counter.layaway.add', [$slip->key, $layaway]) }}">{{ $isReady
                                    ? 'Collect' : 'Pay on it' }}</button></div>@endif</td></tr>
                @endforeach
                @foreach($waitingOrders as $order)
                    @php($ready = $order->ready($slip->location_id))
                    <tr><td><a href="{{ route('orders.show', $order) }}">{{ $order->label }}</a>
                    <div class="{{ $order->isLate($slip->day()) ? 'ochre' : 'soft' }}">{{ $ready === []
                        ? 'ordered, waits' : 'ordered, goods here' }}{{ $order->wanted_on === null ? ''
                            : ', wanted '.Show::date($order->wanted_on) }}{{ $order->shelf === '' ? ''
                                : " · {$order->shelf}" }}</div></td>
                        <td class="figure">{{ Show::money($order->open_total) }}
                            @if(! $locked && ! isset($slip->orders[$order->id]))<div>
                            <button type="button" class="link-act"
                                data-sends="{{ route('counter.supply.add', [$slip->key, $order]) }}">{{ $ready === []
                                    ? 'Pay on it' : 'Hand over' }}</button></div>@endif</td></tr>
                @endforeach
                @foreach($waitingQuotes as $one)
                    <tr><td><a href="{{ route('quotes.show', $one) }}">{{ $one->label }}</a>
                    <div class="{{ $one->isExpired($slip->day()) ? 'ochre' : 'soft' }}">quoted, {{
                        $one->isExpired($slip->day()) ? 'ran out' : 'holds until' }}
                        {{ Show::date($one->valid_until) }}</div></td>
                        <td class="figure">{{ $one->total }}@if(! $locked && $slip->quote_id === null)<div>
                        <button type="button" class="link-act" data-sends="{{ route('counter.add', $slip->key) }}"
                            data-field="entry" value="{{ $one->label }}">Take up</button></div>@endif</td></tr>
                @endforeach
            </table>
        @endif
        @unless($locked)
            <p class="mt-2 mb-1"><button type="button" class="link-act" data-toggles="bought">What they owe and bought
                <kbd>Alt V</kbd></button></p>
            <p class="mb-3"><button type="button" class="link-act" data-puts="0">Take off this slip</button></p>
        @endunless
        </div>
    @endif
    @if($slip->own_terms)<div class="note look"><p>{{ $slip->ownTerms() }}</p>@unless($locked)
        @include('counter.parts.needs', ['place' => 'terms'])@endunless</div>@endif
    @if($complaint->on('customer') || $complaint->on('contact') || $complaint->on('purchase_order')
        || $complaint->on('job'))
        <div class="note stop" role="alert"><p>{{ $complaint->message() }}</p></div>
    @endif
    @if($slip->isBackdated() && ! $slip->isDone())
        <div class="note look"><p><strong>Dated {{ Show::date($slip->day()) }},</strong> not today.</p></div>
    @endif
</section>
