@extends('layout')
@section('title', 'Cheques that came in')
@section('main')
<div class="page" x-data="cheques" @input="typed" @click="press" @submit.prevent="submit">
    <div class="page-head"><h1>Cheques that came in</h1>
    <span class="soft">each line is posted as you press Enter, on the oldest due first</span></div>
    @include('accounts.parts.cheque-rows')
</div>
@endsection
