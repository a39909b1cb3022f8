@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
<div id="cheques" data-part>
    <form class="cheque-line" data-sheet="{{ route('accounts.cheques.store') }}" autocomplete="off">
        <input type="hidden" name="key" value="{{ $key }}">
        <div class="find">
        <label for="customer" class="small soft">Customer, number or name</label><input class="form-control"
            id="customer" name="customer" data-finds="{{ route('accounts.cheques.find') }}"
                value="{{ $typed['customer'] ?? '' }}" data-focus>
            <div id="cheque-found" class="found-small"></div></div>
        <div><label for="amount" class="small soft">Amount</label><input class="form-control text-end" id="amount"
            name="amount" inputmode="decimal" size="10" value="{{ $typed['amount'] ?? '' }}"></div>
        <div><label for="kind" class="small soft">Way</label><select class="form-select" id="kind" name="kind">
        <option value="cheque">Cheque</option>
        <option value="bank_transfer" @selected(($typed['kind'] ?? '') === 'bank_transfer')>Bank transfer</option>
        </select></div>
        <div><label for="reference" class="small soft">Number or reference</label><input class="form-control"
            id="reference" name="reference" maxlength="60" size="14" value="{{ $typed['reference'] ?? '' }}"></div>
        <div><label for="day" class="small soft">Dated</label><input class="form-control" type="date" id="day"
            name="day" value="{{ $day }}" max="{{ ShopTime::today()->format('Y-m-d') }}"></div>
        <button class="quiet-act">Post, next <kbd>Enter</kbd></button>
    </form>
    @if($refused !== null)
        <p class="complaint" role="alert">{{ $refused->getMessage() }}
        @if($refused->rule === 'posted_before')<button type="button" class="link-act" data-also="sure">It is another
            one, post it</button>@elseif($refused->rule === 'way_refused')@can('manage-accounts')<button type="button"
                class="link-act" data-also="all_the_same{{ ($typed['sure'] ?? '') === '1' ? ' sure' : '' }}">Take it all
                    the same</button>@endcan @endif</p>
    @endif
    <table class="ruled mt-3">
        <thead><tr><th>Receipt</th><th>Customer</th><th>Way</th><th>Dated</th><th class="figure">Amount</th>
        <th class="figure">Stays as credit</th><td></td></tr></thead>
        <tbody>
        @forelse($posted as $document)
            <tr @class(['fresh' => $fresh === $document->id])><td>
            <a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td>
            <td>{{ $document->customer_name }}</td><td>{{ $document->tenders->first()?->words() }}</td>
            <td class="text-nowrap">{{ Show::date($document->business_date) }}</td>
            <td class="figure">{{ $document->total }}</td>
            <td class="figure">{{ ($unused[$document->id] ?? null)?->isPositive()
                ? Show::money($unused[$document->id]) : '' }}</td>
                <td class="text-end">
                @isset($numbers[$document->customer_id])<a
                    href="{{ route('accounts.spread',
                        [$numbers[$document->customer_id], $document]) }}">spread otherwise</a>@endisset</td></tr>
        @empty
            <tr><td colspan="7" class="empty">Nothing yet today.</td></tr>
        @endforelse
        </tbody>
        @if($posted->isNotEmpty())<tfoot><tr class="total">
        <td colspan="4">{{ $count }} entered today{{ $count > $posted->count()
            ? ', the latest '.$posted->count().' of them shown' : '' }}</td><td class="figure">{{ $sum }}</td><td></td>
            <td></td></tr></tfoot>@endif
    </table>
</div>
