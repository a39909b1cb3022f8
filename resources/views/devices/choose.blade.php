@use('Elmstone\Staff\Ability')
@extends('layout')
@section('title', 'Devices used here')
@section('main')
<div class="page">
    <div class="page-head"><h1>Devices used at {{ $till->name }}</h1><span class="soft">by you; when one fails, use that
        of the till beside it</span></div>
    @include('design.messages')
    <table class="ruled w-auto"><thead><tr><th>Device</th><th>Of which till</th></tr></thead><tbody>
    @foreach($kinds as $kind)<tr>
        <td>{{ $kind->label() }}@include('design.complaint', ['field' => $kind->value])</td>
        <td><form method="post" action="{{ route('till.devices.choose') }}"
            class="d-flex gap-2 align-items-center">@csrf
            <input type="hidden" name="kind" value="{{ $kind->value }}">
            @if(auth()->user()->mayDo(Ability::Approve))<label class="small nowrap"><input type="checkbox"
                name="for_all" value="1" class="form-check-input"> for everybody here</label>@endif
            @foreach($beside as $one)<button name="uses" value="{{ $one->id }}" @class(['quiet-act nowrap',
                'fw-bold' => $used[$kind->value] === $one->id])
                aria-pressed="{{ $used[$kind->value] === $one->id ? 'true' : 'false' }}">{{ $one->name }}{{
                    $used[$kind->value] === $one->id ? ' ✓' : '' }}</button>@endforeach
        </form></td></tr>@endforeach
    </tbody></table>
    <p class="small soft mt-3">What a terminal was asked already is asked of that terminal, whichever is used now.</p>
</div>
@endsection
