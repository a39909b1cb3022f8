@use('Elmstone\Core\Receivables\Days')
@use('Elmstone\Support\Show')
{{-- A customer at a glance: how they stand, what they owe, what they bought and paid. Nothing here changes the slip but
     what is pressed. --}}
<div x-data="narrows">
@if($look === null)<p class="soft small mb-0">Put a customer on the slip first.</p>@else
    <div class="look-head">
        <strong><a class="plain" href="{{ route('customers.show', $look->customer) }}">{{ $look->customer->name }}</a>
        </strong>
        <input class="form-control form-control-sm w-auto flex-fill" id="bought-find" autocomplete="off"
            aria-label="Narrow what is shown" placeholder="narrow" @input="narrow" @keydown.enter.prevent="first">
    </div>
    @if($account = $look->account)
    <dl class="look-facts">
        <div><dt>limit</dt><dd>{{ Show::money($account->standing->limit) }}</dd></div>
        <div><dt>not due</dt><dd>{{ Show::money($account->notDue) }}</dd></div>
        <div><dt>late</dt><dd>{{ Show::money($account->late) }}</dd></div>
        <div><dt>unused credit</dt><dd>{{ Show::money($account->credit) }}</dd></div>
        <div><dt>may still charge</dt><dd>{{ $account->account->stopped ? 'nothing'
            : Show::money($account->standing->available()->orNothing()) }}</dd></div>
    </dl>
    <p class="small soft mb-1">{{ implode(' ', array_filter([
        $account->account->stopped ? "On stop: {$account->account->stop_reason}." : '',
        $account->oldestLate > 0
            ? "The oldest item is {$account->oldestLate} days late; {$account->account->allowed_overdue_days} are "
                .'allowed.'
            : 'Nothing is late.',
        $account->standing->available()->isNegative() ? 'They owe more than their limit.' : '',
        $account->account->purchase_order_required ? 'A purchase order is wanted on every invoice.' : '',
        'Terms: '.$account->account->terms()->words().'.',
    ])) }} <a href="{{ route('accounts.show', $look->customer) }}">Their account</a></p>
    @foreach($look->owes as $item)
        @php($late = max(0, Days::between($item->due_date, $look->day)))
        <div class="row-bought" data-row>
            <span class="code"><a href="{{ route('documents.show', $item->document_id) }}">{{ $item->label }}</a></span>
            <span class="{{ $late > 0 ? 'ochre' : 'soft' }}">{{ $late > 0
                ? "{$late} days late" : 'due '.Show::date($item->due_date) }}</span>
            <span class="figure">{{ Show::money($item->open) }}</span>
            <span class="small soft">{{ $item->open->equals($item->amount) ? '' : 'of '.Show::money($item->amount) }}
            </span>
            @if($onlyLooks)<span></span>@elseif(in_array($item->document_id, $slip->on_items ?? [], true))<span
                class="small soft">on it</span>@else<button type="button" class="link-act small"
                    aria-label="Pay {{ $item->label }}" data-sends="{{ route('counter.pay-invoice',
                        [$slip->key, $item->document_id]) }}">Pay</button>@endif
        </div>
    @endforeach
    @endif
    <h3 class="band-name mt-2 mb-0">Bought before, and paid</h3>
    @foreach($look->bought as $one)
        <{{ $onlyLooks ? 'div' : 'button type=button' }} class="row-bought" data-row data-again="{{ $onlyLooks ? ''
            : $one->itemId }}">
            <span class="code">{{ $one->code }}</span><span>{{ $one->description }}</span>
            <span class="figure">{{ Show::decimal($one->quantity) }} × {{ Show::price($one->price) }} {{ $one->off }}
            </span><span class="small soft">{{ Show::date($one->day) }}{{ $one->times > 1 ? " · {$one->times} times"
                : '' }}</span><span class="small verdigris">{{ $onlyLooks ? '' : 'Again' }}</span>
        </{{ $onlyLooks ? 'div' : 'button' }}>
    @endforeach
    @if($look->bought === [])<p class="soft small mb-0">Nothing yet.</p>@endif
@endif
</div>
