@use('Elmstone\Core\Money\Money')
@use('Elmstone\Core\Receivables\AgeBand')
@use('Elmstone\Core\Receivables\ItemKind')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Accounts\Activity')
@use('Elmstone\Receivables\Accounts\StandingBar')
@extends('layout')
@section('title', "{$customer->name}, account")
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a> / {{ $customer->number }}</p>
    <div class="page-head"><div><h1>
    <a class="plain" href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a></h1>
        <p class="soft mb-0">account {{ $customer->number }} · {{ $account->terms()->words() }} · {{ $customer->phone }}
        </p></div>
        <div class="end">
            <form method="post" action="{{ route('counter.sell-to', $customer) }}">
            @csrf <button class="quiet-act">Sell to them</button></form>
            @can('take-payments')<a class="quiet-act"
                href="{{ route('accounts.payment', $customer) }}">Payment</a>@endcan
            <a class="quiet-act"
                href="{{ route('statements.preview', [$customer, 'as_of' => $day->format('Y-m-d')]) }}">Statement</a>
            @can('manage-accounts')<a class="quiet-act"
                href="{{ route('accounts.terms', $customer) }}">Terms and limit</a>@endcan
        </div></div>
    @include('design.messages')
    @if(request()->cookie('posted') !== null)<div class="note done" role="status">
    <p>Posted as <a
        href="{{ route('documents.show', request()->cookie('posted')) }}">{{ request()->cookie('posted') }}</a>.</p>
        </div>@endif
    @if($account->stopped)<div class="note stop"><p><strong>On stop.</strong> {{ $account->stop_reason }}</p></div>
    @elseif($standing->group?->head->stopped)<div class="note stop"><p><strong>Their head office is on stop.</strong>
        {{ $standing->group->head->stop_reason }}</p></div>
    @endif
    @if($isToday && $account->review_on?->lessThanOrEqualTo($day) && $account->closed_on === null)<div
        class="note look"><p>Its terms were to be looked at again on {{ Show::date($account->review_on) }}. @can(
        'manage-accounts')<a href="{{ route('accounts.terms', $customer) }}">Terms and limit</a>@endcan</p></div>@endif
    @unless($isToday)<div class="note look"><p>
    <strong>As of {{ Show::date($day) }}.</strong> <a href="{{ route('accounts.show', $customer) }}">Back to today</a>
    </p></div>@endunless
    <div class="account-top">
        <div>
            {!! StandingBar::svg($standing, null, 360) !!}
            <dl class="facts mt-2">
                <dt>{{ $ageing->balance->isNegative() ? ($isToday ? 'In credit' : 'In credit then')
                    : ($isToday ? 'Owes' : 'Owed then') }}</dt>
                    <dd class="figure fw-bold">{{ $ageing->balance->abs() }}</dd>
                <dt>Late</dt>
                <dd class="figure {{ $ageing->late()->isPositive() ? 'ochre'
                    : '' }}">{{ $ageing->late() }}</dd>
                @if($paysAfter !== null)<dt>Pays after, of the last year</dt>
                <dd class="figure">{{ $paysAfter === 1 ? 'a day' : "{$paysAfter} days" }}</dd>@endif
                @if($isToday && $standing->standing->orders->isPositive())<dt>On order, to be charged</dt>
                <dd class="figure">{{ Show::money($standing->standing->orders) }}</dd>@endif
                @if($isToday)<dt>Can still charge</dt>
                <dd class="figure {{ $account->stopped || $standing->standing->available()->isNegative() ? 'brick'
                    : '' }}">{{ $account->stopped ? 'nothing, on stop'
                        : Show::money($standing->standing->available()) }}</dd>@endif
            </dl>
            @if($standing->group !== null)<p class="small mb-0">
                @if($standing->group->isHead($account))Head office of
                    @foreach($standing->group->members()->slice(1) as $one)<a
                        href="{{ route('accounts.show', $one->customer) }}">{{ $one->customer->name }}</a>
                        {{ Show::money($one->balance) }}{{ $loop->last ? '' : ',' }} @endforeach
                @else Branch of <a href="{{ route('accounts.show',
                    $standing->group->head->customer) }}">{{ $standing->group->head->customer->name }}</a>
                @endif<br><span class="soft">together {{ Show::money($standing->group->exposure) }} of {{
                Show::money($standing->group->head->credit_limit) }}</span></p>@endif
        </div>
        <table class="ruled age-row">
            <thead><tr>@foreach(AgeBand::cases() as $band)<th class="figure">{{ $band->label() }}</th>@endforeach
            <th class="figure">Balance</th></tr></thead>
            <tr>@foreach(AgeBand::cases() as $band)
            <td class="figure">{{ $ageing->in($band)->isZero() ? '–' : Show::money($ageing->in($band)) }}</td>
            @endforeach<td class="figure fw-bold">{{ $ageing->balance }}</td></tr>
        </table>
    </div>
    <div class="line-box" x-data="lineReading" @focusin="read" @mouseover="read">{!! $line !!}
    <p class="line-reading small soft" id="line-reading" aria-live="polite" x-text="words">Point at a document, or Tab
        to it, to read it out.</p></div>
    @php($charges = $items->where('kind', ItemKind::Charge))
    @php($credits = $items->where('kind', ItemKind::Credit))
    <div class="split">
        <div>
            @if($credits->isNotEmpty())
                <h2 id="credits">Unused credit</h2>
                <table class="ruled mb-4"><tbody>@foreach($credits as $item)<tr><td>
                <a class="code" href="{{ route('documents.show', $item->label) }}">{{ $item->label }}</a></td>
                <td class="text-nowrap">{{ Show::date($item->business_date) }}</td>
                <td class="soft">{{ $item->purpose->value === 'payment' ? 'payment'
                    : 'credit' }} of {{ $item->amount }}</td>
                    <td class="figure verdigris fw-bold">{{ $item->open }}</td><td class="text-end">
                    @can('take-payments')@if($isToday)<a
                        href="{{ route('accounts.spread', [$customer, $item->label]) }}">{{ $charges->isEmpty()
                            ? 'pay out' : 'use it' }}</a>@endif @endcan</td></tr>@endforeach</tbody></table>
            @endif
            <h2>Open {{ $isToday ? 'now' : 'then' }}</h2>
            @if($charges->isEmpty())<p class="empty">Nothing is owed.</p>@else
            <table class="ruled mb-4">
                <thead><tr><th>Number</th><th>Dated</th><th>Due</th><th>Purchase order</th>
                <th class="figure">Amount</th><th class="figure">Open</th></tr></thead>
                <tbody>@foreach($charges as $item)
                    @php($late = $item->toValue()->daysLate($day))
                    <tr><td><a class="code" href="{{ route('documents.show', $item->label) }}">{{ $item->label }}</a>
                    @isset($disputed[$item->document_id])<span class="small ochre fw-bold"
                        title="{{ $disputed[$item->document_id] }}">disputed</span>@endisset
                    @can('manage-accounts')@if($isToday)<a class="small" href="{{ route('accounts.item',
                        [$customer, $item->label]) }}">settle</a>@endif @endcan
                    </td><td class="text-nowrap">{{ Show::date($item->business_date) }}</td>
                    <td class="text-nowrap">{{ Show::date($item->due_date) }} @if($late > 0)<span
                        class="small brick">{{ $late }} {{ $late === 1 ? 'day'
                            : 'days' }} late</span>@elseif($item->discount_until !== null
                                && $item->discount_until->greaterThanOrEqualTo($day)
                                    && $item->open->equals($item->amount))<span
                                        class="small ochre">{{ Show::decimal($item->discount_percent) }} % off until
                                            {{ $item->discount_until->format('j M') }}</span>@endif</td>
                                            <td>{{ $orders[$item->document_id] ?? '' }}</td>
                                            <td class="figure soft">{{ $item->amount }}</td>
                                            <td class="figure">{{ $item->open }}</td></tr>
                @endforeach</tbody>
                <tfoot><tr class="total">
                <td colspan="5">{{ $charges->count() }} {{ $charges->count() === 1 ? 'item' : 'items' }}</td>
                <td class="figure">{{ Money::sum($charges->pluck('open'), $house->currency()) }}</td></tr></tfoot>
            </table>@endif
            <h2>Everything that happened</h2>
            <form class="filters" method="get" action="{{ route('accounts.show', $customer) }}">
                <div><label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
                    value="{{ $day->format('Y-m-d') }}"></div>
                <div><label for="from">From</label><input class="form-control" type="date" id="from" name="from"
                    value="{{ $filters['from'] ?? '' }}"></div>
                <div><label for="kind">What</label><select class="form-select" id="kind" name="kind">
                <option value="">everything</option>
                <option value="charge" @selected(($filters['kind'] ?? '') === 'charge')>charges</option>
                <option value="credit" @selected(($filters['kind'] ?? '') === 'credit')>payments and credits</option>
                </select></div>
                <button class="quiet-act">Show</button>
                <a class="link-act ms-auto" href="{{ route('accounts.csv', [$customer, ...$filters]) }}">Save as CSV</a>
                <a class="link-act"
                    href="{{ route('statements.pdf',
                        [$customer, 'as_of' => $day->format('Y-m-d'), 'kind' => 'balance_forward',
                            ...array_intersect_key($filters, ['from' => ''])]) }}">as PDF</a>
                @error('as_of')<p class="complaint w-100">{{ $message }}</p>@enderror
            </form>
            <table class="ruled">
                <thead><tr><th>Date</th><th>Number</th><th>What</th><th>By</th><th class="figure">Charged</th>
                <th class="figure">Paid or credited</th><th class="figure">Balance</th></tr></thead>
                <tbody>
                @forelse(array_slice($activity, 0, Activity::PAGE) as $row)
                    @php($document = $row->item->document)
                    <tr><td class="text-nowrap">{{ Show::date($row->item->business_date) }}</td><td>
                    <a class="code" href="{{ route('documents.show', $document) }}">{{ $row->item->label }}</a></td>
                    <td>{{ $document->title() }}@if($document->purchase_order !== '') <span
                        class="soft">{{ $document->purchase_order }}</span>@endif @if($document->job !== '')<span
                            class="soft">· {{ $document->job }}</span>@endif</td>
                            <td class="soft">{{ $document->buyer }}</td>
                        <td class="figure">{{ $row->moved->isPositive() ? Show::money($row->moved) : '' }}</td>
                        <td class="figure">{{ $row->moved->isNegative() ? Show::money($row->moved->negated()) : '' }}
                        </td><td class="figure">{{ $row->balance }}</td></tr>
                @empty
                    <tr><td colspan="7" class="empty">Nothing in these days.</td></tr>
                @endforelse
                </tbody>
            </table>
            <nav class="pages" aria-label="Pages">
                @if($skip > 0)<a class="quiet-act"
                    href="{{ route('accounts.show',
                        [$customer, ...$filters, 'skip' => max(0, $skip - Activity::PAGE)]) }}">Later</a>@endif
                @if(count($activity) > Activity::PAGE)<a class="quiet-act"
                    href="{{ route('accounts.show',
                        [$customer, ...$filters, 'skip' => $skip + Activity::PAGE]) }}">Earlier</a>@endif
            </nav>
        </div>
        <aside>
            @can('stop-accounts')
                <h2>{{ $account->stopped ? 'Release' : 'Stop' }}</h2>
                @if(! $account->stopped || Gate::allows('manage-accounts'))
                <form class="d-flex gap-2 mb-4" method="post"
                    action="{{ $account->stopped ? route('accounts.release', $customer)
                        : route('accounts.stop', $customer) }}">@csrf
                    <input class="form-control" name="reason" maxlength="255" placeholder="reason" aria-label="Reason"
                        value="{{ old('reason') }}"><button
                            class="quiet-act text-nowrap">{{ $account->stopped ? 'Release' : 'Put on stop' }}</button>
                            </form>
                @else<p class="soft small">The office can release it.</p>@endif
            @endcan
            <h2>Calls and promises</h2>
            @include('accounts.parts.calls')
            @foreach($letters as $letter)<p class="small mb-1">{{ $letter->data['title'] }} over
                {{ Show::money($letter->total) }} <span class="soft">{{ $letter->way->value === 'mail' ? 'mailed'
                    : 'printed' }} {{ Show::date($letter->sent_on) }}</span>@can('run-statements') <a
                        href="{{ route('letters.paper', $letter) }}">paper</a>@endcan</p>@endforeach
            @can('take-payments')
            <form method="post" action="{{ route('accounts.call', $customer) }}" class="call-form mb-4">@csrf
                <textarea class="form-control" name="note" rows="2" maxlength="500" placeholder="what was said"
                    aria-label="What was said">{{ old('note') }}</textarea>
                @include('design.complaint', ['field' => 'note'])
                <div class="row g-2 mt-0"><div class="col-5">
                <label class="small soft" for="promised">Promises</label><input class="form-control text-end"
                    id="promised" name="promised" inputmode="decimal" placeholder="amount"
                        value="{{ old('promised') }}"></div><div class="col-7">
                        <label class="small soft" for="promised_on">by</label><input class="form-control" type="date"
                            id="promised_on" name="promised_on" value="{{ old('promised_on') }}"></div>
                <div class="col-7">
                <label class="small soft" for="call_again_on">Call again on</label><input class="form-control"
                    type="date" id="call_again_on" name="call_again_on" value="{{ old('call_again_on') }}"></div>
                    <div class="col-5 d-flex align-items-end justify-content-end">
                    <button class="quiet-act">Note call</button></div></div>
                @include('design.complaint', ['field' => 'promised'])@include('design.complaint',
                    ['field' => 'promised_on'])
            </form>
            @endcan
            @if($changes->isNotEmpty())
                <h2>Terms and limit on record</h2>
                <table class="ruled small">@foreach($changes as $change)<tr>
                <td class="text-nowrap soft">{{ Show::on($change->changed_at) }}</td>
                <td>{{ $change->what }}{{ $change->before !== '' && $change->what === 'limit' ? " {$change->before} →"
                    : '' }} {{ $change->what === 'limit' ? $change->after : '' }}<br>
                    <span class="soft">{{ $change->by }}{{ $change->reason === '' ? '' : ": {$change->reason}" }}</span>
                    </td></tr>@endforeach</table>
            @endif
        </aside>
    </div>
</div>
@endsection
